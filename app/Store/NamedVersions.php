<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\MapRecord;
use App\Models\NamedVersion;
use ChalkTree\Edit\InvalidEdit;

/** The versions of a map that have a name. The map says nothing of them: they are of its history. */
final readonly class NamedVersions
{
    /** Names of one map. */
    private const MOST = 200;

    /** @return list<array{seq: int, name: string, named: string}> the latest first */
    public function of(MapRecord $map): array
    {
        return array_values(NamedVersion::query()->where('map_id', $map->id)->latest('seq')->get()
            ->map(fn (NamedVersion $version): array => ['seq' => $version->seq, 'name' => $version->name, 'named' => $version->named_at->toIso8601ZuluString('millisecond')])->all());
    }

    /**
     * @param  string|null  $name  null takes it away
     *
     * @throws InvalidEdit where there is no such number, or there are names enough
     */
    public function call(MapRecord $map, int $seq, ?string $name): void
    {
        if ($seq < 0 || $seq > $map->seq) {
            throw new InvalidEdit('There is no such number in the history of this map.', 'seq');
        }
        $its = NamedVersion::query()->where('map_id', $map->id);
        if ($name === null) {
            $its->where('seq', $seq)->delete();

            return;
        }
        if ((clone $its)->where('seq', '<>', $seq)->count() >= self::MOST) {
            throw new InvalidEdit('This map has '.self::MOST.' named versions, the most there can be. Take a name away first.', 'name');
        }
        NamedVersion::query()->updateOrCreate(['map_id' => $map->id, 'seq' => $seq], ['name' => $name, 'named_at' => now()]);
    }
}
