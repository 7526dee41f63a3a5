<?php

declare(strict_types=1);

namespace App\Sharing;

use App\Models\MapRecord;
use App\Models\Person;
use App\Models\Visit;
use Carbon\CarbonImmutable;
use Illuminate\Contracts\Cache\Repository;

/** Who was in a shared map, and when. */
final readonly class Visits
{
    /** Seconds between two notes of the same visit. */
    private const OFTEN = 60;

    public function __construct(private Repository $cache)
    {
    }

    public function note(MapRecord $map, Person $person): void
    {
        if ($this->cache->add("visit {$map->id} {$person->id}", true, self::OFTEN)) {
            Visit::query()->upsert([['map_id' => $map->id, 'person_id' => $person->id, 'day' => $person->today(), 'last' => CarbonImmutable::now()->getTimestamp()]], ['map_id', 'person_id', 'day'], ['last']);
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
}
