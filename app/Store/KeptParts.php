<?php

declare(strict_types=1);

namespace App\Store;

use Illuminate\Contracts\Cache\Repository;

/** Many short texts by key, as they lie in the cache in parts, of which only those are fetched that are asked for. */
final class KeptParts
{
    /** @var array<int, array<string, string>> those fetched, by their number */
    private array $fetched = [];

    /** @param  array<int, string>  $versions  of each part that there is, by its number */
    public function __construct(private readonly Repository $cache, private readonly string $name, public readonly array $versions)
    {
    }

    /** @throws PartLost */
    public function get(string $key): ?string
    {
        return $this->part(PartedCache::numberOf($key))[$key] ?? null;
    }

    /**
     * @return iterable<string, string> all of them, by key
     *
     * @throws PartLost
     */
    public function all(): iterable
    {
        foreach (array_keys($this->versions) as $number) {
            yield from $this->part($number);
        }
    }

    /**
     * @return array<string, string>
     *
     * @throws PartLost
     */
    public function part(int $number): array
    {
        if (! isset($this->versions[$number])) {
            return [];
        }

        return $this->fetched[$number] ??= $this->fetch($number);
    }

    /** @return array<string, string> */
    private function fetch(int $number): array
    {
        $part = $this->cache->get(PartedCache::partName($this->name, $number, $this->versions[$number]));
        if (! is_array($part)) {
            throw new PartLost;
        }

        /** @var array<string, string> */
        return $part;
    }
}
