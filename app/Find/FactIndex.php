<?php

declare(strict_types=1);

namespace App\Find;

use App\Models\FactRecord;
use App\Models\MapRecord;
use App\Store\MapStore;
use ChalkTree\Features;
use ChalkTree\Map\Fact;
use ChalkTree\Map\FeatureRow;

/** What features say of topics, field by field, of those fields that they let be asked for. */
final readonly class FactIndex implements Index
{
    private const CHUNK = 300;

    public function __construct(private MapStore $store)
    {
    }

    public function take(MapRecord $map, ?array $topics): void
    {
        $old = FactRecord::query()->where('map_id', $map->id);
        foreach ($topics === null ? [null] : array_chunk($topics, self::CHUNK) as $ids) {
            (clone $old)->when($ids !== null, fn ($query) => $query->whereIn('topic_id', $ids ?? []))->delete();
        }
        $wanted = $topics === null ? null : array_flip($topics);
        $rows = [];
        foreach ($this->facts($map, $topics) as $fact) {
            if ($wanted === null || isset($wanted[$fact->topic])) {
                $rows[] = ['map_id' => $map->id, 'topic_id' => $fact->topic, 'field' => $fact->field, 'text' => $fact->text, 'number' => $fact->number, 'date' => $fact->date];
            }
        }
        // There may be several for each of ten thousand topics, so none becomes a model.
        foreach (array_chunk($rows, self::CHUNK) as $chunk) {
            FactRecord::query()->toBase()->insert($chunk);
        }
    }

    /**
     * @param  list<string>|null  $topics  of which something is wanted; null for all
     * @return iterable<Fact> of topics in the map, not in its trash; maybe of others too
     */
    private function facts(MapRecord $map, ?array $topics): iterable
    {
        $rows = [];
        foreach (Features::rows() as $class) {
            // Where there is one row a topic it has the topic's id; all others have to be looked at.
            foreach ($class::asked() === [] ? [] : ($topics === null || $class::ends() !== [] ? [null] : array_chunk($topics, self::CHUNK)) as $ids) {
                foreach ($this->store->featureRows($map->id, [$class], $ids) as $row) {
                    $rows[] = $row;
                }
            }
        }
        $about = array_unique(array_merge(...array_map(fn (FeatureRow $row): array => $row->topics(), $rows)));
        $there = [];
        foreach (array_chunk($about, self::CHUNK) as $ids) {
            $there += array_flip($map->topics()->toBase()->whereNull('removed')->whereIn('id', $ids)->pluck('id')->all());
        }
        foreach ($rows as $row) {
            if (array_diff_key(array_flip($row->topics()), $there) === []) {
                yield from $row->facts();
            }
        }
    }
}
