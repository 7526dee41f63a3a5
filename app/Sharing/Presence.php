<?php

declare(strict_types=1);

namespace App\Sharing;

use App\Models\MapRecord;
use App\Models\Person;
use Carbon\CarbonImmutable;
use Illuminate\Cache\Lock;
use Illuminate\Contracts\Cache\LockProvider;
use Illuminate\Contracts\Cache\LockTimeoutException;
use Illuminate\Contracts\Cache\Repository;

/** Who has a shared map open now, and where they are in it. Kept for as long as they go on saying so, and nowhere else. */
final readonly class Presence
{
    /** Seconds after which whoever asks every two seconds has gone. */
    public const ASKING = 8;

    /** The same for whoever listens, and says so twice a minute. */
    public const LISTENING = 75;

    /** Others that are told of. */
    private const MOST = 50;

    /** Seconds that one waits to say so while others do. */
    private const PATIENCE = 2;

    /** Milliseconds between two looks whether it is one's turn. */
    private const OFTEN = 5;

    public function __construct(private Repository $cache)
    {
    }

    /**
     * @param  string|null  $at  the topic that they have chosen
     * @param  int  $for  seconds after which they have gone, where they say nothing more
     * @param  string|null  $in  in which text of it they write: "title" or "note"
     * @param  int|null  $caret  and where in that, as their editor counts
     * @return bool whether that is news to anybody
     */
    public function note(MapRecord $map, Person $person, ?string $at, int $for = self::ASKING, ?string $in = null, ?int $caret = null): bool
    {
        return $this->change($map, fn (array $there): array => [$person->id => ['name' => $person->name, 'at' => $at, 'in' => $in, 'caret' => $caret, 'until' => self::now() + $for]] + $there);
    }

    /** @return bool whether that is news to anybody */
    public function leave(MapRecord $map, Person $person): bool
    {
        return $this->change($map, fn (array $there): array => array_diff_key($there, [$person->id => true]));
    }

    /**
     * @param  bool  $hasPlaces  whether somebody may be told where the others are
     * @return list<array{id: int, name: string, at: string|null, in: string|null, caret: int|null}> "Present" in the wire schema, in a lasting order
     */
    public function others(MapRecord $map, Person $person, bool $hasPlaces): array
    {
        return array_values(array_filter($this->all($map, $hasPlaces), fn (array $one): bool => $one['id'] !== $person->id));
    }

    /** @return list<array{id: int, name: string, at: string|null, in: string|null, caret: int|null}> all who are there */
    public function all(MapRecord $map, bool $hasPlaces): array
    {
        $all = [];
        foreach (array_slice($this->there($map), 0, self::MOST, true) as $id => $one) {
            $all[] = ['id' => $id, 'name' => $one['name']] + ($hasPlaces ? ['at' => $one['at'], 'in' => $one['in'] ?? null, 'caret' => $one['caret'] ?? null] : ['at' => null, 'in' => null, 'caret' => null]);
        }

        return $all;
    }

    /**
     * One after the other, so that nobody is lost while two say something at once.
     *
     * @param  callable(array<int, array{name: string, at: string|null, in: string|null, caret: int|null, until: int}>): array<int, array{name: string, at: string|null, in: string|null, caret: int|null, until: int}>  $how
     */
    private function change(MapRecord $map, callable $how): bool
    {
        $work = function () use ($map, $how): bool {
            $before = $this->there($map);
            $after = $how($before);
            $this->cache->put(self::key($map), $after, self::LISTENING);
            $told = fn (array $there): array => array_map(fn (array $one): array => [$one['name'], $one['at'], $one['in'] ?? null, $one['caret'] ?? null], $there);

            return $told($before) != $told($after);
        };
        $store = $this->cache->getStore();
        $lock = $store instanceof LockProvider ? $store->lock(self::key($map).' is said', self::PATIENCE) : null;
        try {
            return (bool) ($lock instanceof Lock ? $lock->betweenBlockedAttemptsSleepFor(self::OFTEN)->block(self::PATIENCE, $work) : $work());
        } catch (LockTimeoutException) {
            return false;
        }
    }

    /** @return array<int, array{name: string, at: string|null, in: string|null, caret: int|null, until: int}> in a lasting order */
    private function there(MapRecord $map): array
    {
        /** @var array<int, array{name: string, at: string|null, in: string|null, caret: int|null, until: int}> $kept */
        $kept = (array) $this->cache->get(self::key($map), []);
        $there = array_filter($kept, fn (array $one): bool => ($one['until'] ?? 0) > self::now());
        ksort($there);

        return $there;
    }

    private static function now(): int
    {
        return CarbonImmutable::now()->getTimestamp();
    }

    private static function key(MapRecord $map): string
    {
        return "present {$map->id}";
    }
}
