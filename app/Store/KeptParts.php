<?php

declare(strict_types=1);

namespace App\Store;

use Illuminate\Contracts\Cache\Repository;

/** Many short texts by key, as they lie in the cache in parts, of which only those are fetched that are asked for. */
final class KeptParts
{
    /** @var array<int, string> those fetched, by their number, as PackedTexts has them */
    private array $fetched = [];

    /** @param  array<int, string>  $versions  of each part that there is, by its number */
    public function __construct(private readonly Repository $cache, private readonly string $name, public readonly array $versions)
    {
    }

    /** @throws PartLost */
    public function get(string $key): ?string
    {
        $number = PartedCache::numberOf($key);

        return isset($this->versions[$number]) ? PackedTexts::text($this->fetched[$number] ??= $this->fetch($number), $key) : null;
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

        return PackedTexts::all($this->fetched[$number] ??= $this->fetch($number));
    }

    /** @throws PartLost */
    private function fetch(int $number): string
    {
        $part = $this->cache->get(PartedCache::partName($this->name, $number, $this->versions[$number]));
        if (! is_string($part)) {
            throw new PartLost;
        }

        return $part;
    }
}
