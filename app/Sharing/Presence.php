<?php

declare(strict_types=1);

namespace App\Sharing;

use App\Models\MapRecord;
use App\Models\Person;
use Carbon\CarbonImmutable;
use Illuminate\Contracts\Cache\Repository;

/** Who has a shared map open now, and where they are in it. Kept for as long as they go on asking for news, and nowhere else. */
final readonly class Presence
{
    /** Seconds after which whoever asks every two seconds has gone. */
    private const GONE = 8;

    /** Others that are told of. */
    private const MOST = 50;

    public function __construct(private Repository $cache)
    {
    }

    /** @param  string|null  $at  the topic that they have chosen */
    public function note(MapRecord $map, Person $person, ?string $at): void
    {
        $this->cache->put(self::key($map), [$person->id => ['name' => $person->name, 'at' => $at, 'seen' => self::now()]] + $this->there($map), self::GONE);
    }

    /**
     * @param  bool  $hasPlaces  whether somebody may be told where the others are
     * @return list<array{id: int, name: string, at: string|null}> "Present" in the wire schema, in a lasting order
     */
    public function others(MapRecord $map, Person $person, bool $hasPlaces): array
    {
        $there = $this->there($map);
        unset($there[$person->id]);
        ksort($there);
        $others = [];
        foreach (array_slice($there, 0, self::MOST, true) as $id => ['name' => $name, 'at' => $at]) {
            $others[] = ['id' => $id, 'name' => $name, 'at' => $hasPlaces ? $at : null];
        }

        return $others;
    }

    /** @return array<int, array{name: string, at: string|null, seen: int}> */
    private function there(MapRecord $map): array
    {
        /** @var array<int, array{name: string, at: string|null, seen: int}> $kept */
        $kept = (array) $this->cache->get(self::key($map), []);

        return array_filter($kept, fn (array $one): bool => $one['seen'] > self::now() - self::GONE);
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
