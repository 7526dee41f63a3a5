<?php

declare(strict_types=1);

namespace App\Sharing;

use App\Models\EditRecord;
use App\Models\MapRecord;
use App\Models\Person;
use App\Models\Visit;
use Carbon\CarbonImmutable;
use Illuminate\Contracts\Cache\Repository;

/** Who was in a shared map, when, and up to which edit they saw it. */
final readonly class Visits
{
    /** Seconds between two notes of the same visit in the database; what was seen in between is kept beside it. */
    private const OFTEN = 60;

    private const KEPT = 90 * 24 * 3600;

    /** Seconds after which one comes back, and does not merely go on. */
    private const AWAY = 600;

    public function __construct(private Repository $cache)
    {
    }

    public function note(MapRecord $map, Person $person): void
    {
        $key = "visit {$map->id} {$person->id}";
        $this->cache->put("seen {$map->id} {$person->id}", $map->seq, self::KEPT);
        if ($this->cache->add($key, true, self::OFTEN)) {
            Visit::query()->upsert([['map_id' => $map->id, 'person_id' => $person->id, 'day' => $person->today(), 'last' => CarbonImmutable::now()->getTimestamp(), 'seq' => $map->seq]], ['map_id', 'person_id', 'day'], ['last', 'seq']);
        }
    }

    /** @return array<int, array{last: int, days: int}> by person */
    public function of(MapRecord $map): array
    {
        $all = [];
        foreach (Visit::query()->where('map_id', $map->id)->get() as $visit) {
            $before = $all[$visit->person_id] ?? ['last' => 0, 'days' => 0];
            $all[$visit->person_id] = ['last' => max($before['last'], $visit->last), 'days' => $before['days'] + 1];
        }

        return $all;
    }

    /**
     * What others did in a map since somebody had it open last.
     *
     * @return array{seq: int, edits: int, by: list<string>, last: string}|null null where that is nothing, or they were never there, or just now; "seq" is the latest edit that they saw
     */
    public function missed(MapRecord $map, Person $person): ?array
    {
        $visit = Visit::query()->where('map_id', $map->id)->where('person_id', $person->id)->latest('last')->first();
        $kept = $this->cache->get("seen {$map->id} {$person->id}");
        $seq = max($visit->seq ?? 0, is_numeric($kept) ? (int) $kept : 0);
        if ($visit === null || $seq >= $map->seq || $visit->last > CarbonImmutable::now()->getTimestamp() - self::AWAY) {
            return null;
        }
        $by = EditRecord::query()->toBase()->join('people', 'people.id', '=', 'edits.person_id')->where('map_id', $map->id)->where('seq', '>', $seq)->where('person_id', '<>', $person->id)->where('kind', '<>', 'none')
            ->groupBy('people.id', 'people.name')->orderBy('people.id')->selectRaw('people.name as name, count(*) as edits')->get();

        return $by->isEmpty() ? null : ['seq' => $seq, 'edits' => (int) $by->sum('edits'), 'by' => array_values($by->map(fn (object $one): string => (string) $one->name)->all()), 'last' => gmdate('Y-m-d\TH:i:s\Z', $visit->last)];
    }
}
