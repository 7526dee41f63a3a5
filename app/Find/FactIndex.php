<?php

declare(strict_types=1);

namespace App\Find;

use App\Models\FactRecord;
use App\Models\MapRecord;
use App\Store\MapStore;
use ChalkTree\Features;

/** What features say of topics, field by field, of those fields that they let be asked for. */
final readonly class FactIndex implements Index
{
    private const CHUNK = 300;

    public function __construct(private MapStore $store)
    {
    }

    public function take(MapRecord $map, ?array $topics): void
    {
        foreach ($topics === null ? [null] : array_chunk($topics, self::CHUNK) as $ids) {
            FactRecord::query()->where('map_id', $map->id)->when($ids !== null, fn ($query) => $query->whereIn('topic_id', $ids ?? []))->delete();
        }
        $classes = array_values(array_filter(Features::rows(), fn (string $class): bool => $class::asked() !== []));
        $wanted = $topics === null ? null : array_flip($topics);
        $new = [];
        foreach ($this->store->livingRows($map->id, $classes, $topics) as $row) {
            foreach ($row->facts() as $fact) {
                if ($wanted === null || isset($wanted[$fact->topic])) {
                    $new[] = ['map_id' => $map->id, 'topic_id' => $fact->topic, 'field' => $fact->field, 'text' => $fact->text, 'number' => $fact->number, 'date' => $fact->date];
                }
            }
        }
        // There may be several for each of ten thousand topics, so none becomes a model.
        foreach (array_chunk($new, self::CHUNK) as $chunk) {
            FactRecord::query()->toBase()->insert($chunk);
        }
    }
}
