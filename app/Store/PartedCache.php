<?php

declare(strict_types=1);

namespace App\Store;

use Illuminate\Contracts\Cache\Repository;

/**
 * Keeps many short texts by key under one name, for one state of what they are about, so that reading and changing a
 * few of ten thousand costs what a few cost. They lie in parts; a change writes the parts it touches as new versions,
 * and then what names the versions, so a reader has either the old or the new. All of it can be lost at any time.
 */
final readonly class PartedCache
{
    private const PARTS = 128;

    private const SECONDS = 24 * 3600;

    public function __construct(private Repository $cache)
    {
    }

    /** Null where nothing is kept for this state. */
    public function of(string $name, string $state): ?KeptParts
    {
        $kept = $this->cache->get($name);
        if (! is_array($kept) || ($kept['state'] ?? null) !== $state) {
            return null;
        }

        /** @var array{state: string, versions: array<int, string>} $kept */
        return new KeptParts($this->cache, $name, $kept['versions']);
    }

    /**
     * Keeps all of them.
     *
     * @param  iterable<string, string>  $texts  by key
     */
    public function keep(string $name, string $state, iterable $texts): void
    {
        $parts = [];
        foreach ($texts as $key => $text) {
            $parts[self::numberOf($key)][$key] = $text;
        }
        $kept = $this->cache->get($name);
        /** @var array<int, string> $old */
        $old = is_array($kept) && is_array($kept['versions'] ?? null) ? $kept['versions'] : [];
        $this->write($name, $state, $parts, [], $old);
    }

    /**
     * Keeps what has changed since another state.
     *
     * @param  array<string, string|null>  $changed  by key; null for those that are gone
     *
     * @throws PartLost
     */
    public function change(string $name, string $state, KeptParts $before, array $changed): void
    {
        $parts = [];
        foreach ($changed as $key => $text) {
            $number = self::numberOf($key);
            $parts[$number] ??= $before->part($number);
            if ($text === null) {
                unset($parts[$number][$key]);
            } else {
                $parts[$number][$key] = $text;
            }
        }
        $this->write($name, $state, $parts, $before->versions, array_intersect_key($before->versions, $parts));
    }

    public function forget(string $name): void
    {
        $this->cache->forget($name);
    }

    /**
     * @param  array<int, array<string, string>>  $parts
     * @param  array<int, string>  $versions  of those before that stay as they are
     * @param  array<int, string>  $old  of those that nobody needs any more
     */
    private function write(string $name, string $state, array $parts, array $versions, array $old): void
    {
        $version = bin2hex(random_bytes(6));
        foreach ($parts as $number => $part) {
            $versions[$number] = $version;
            if (! $this->cache->put(self::partName($name, $number, $version), PackedTexts::of($part), self::SECONDS)) {
                // There is no room; whoever asks next finds nothing rather than a part of it.
                $this->cache->forget($name);

                return;
            }
        }
        $this->cache->put($name, ['state' => $state, 'versions' => $versions], self::SECONDS);
        foreach ($old as $number => $gone) {
            $this->cache->forget(self::partName($name, $number, $gone));
        }
    }

    public static function numberOf(string $key): int
    {
        return crc32($key) % self::PARTS;
    }

    public static function partName(string $name, int $number, string $version): string
    {
        return "{$name} {$number} {$version}";
    }
}
