<?php

declare(strict_types=1);

namespace App\Find;

use App\Models\FactRecord;
use App\Models\MapRecord;
use App\Models\TopicRecord;
use App\Store\MapStore;
use ChalkTree\Features;

/** What features say of topics, field by field, of those fields that they let be asked for. */
final readonly class FactIndex implements Index
{
    private const CHUNK = 300;

    public function __construct(private MapStore $store)
    {
    }

    /** Where notes lead, "map:" with the ids of map and topic, as links have it. */
    public const NOTE_TO = 'note.to';

    private const ADDRESS = '~/maps/([0-9a-z]{26})/topics/([0-9a-z]{26})(?![0-9a-z])~';

    /** Ways out of one note. */
    private const MOST_IN_NOTE = 500;

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
        array_push($new, ...$this->ledToByNotes($map, $topics));
        // There may be several for each of ten thousand topics, so none becomes a model.
        foreach (array_chunk($new, self::CHUNK) as $chunk) {
            FactRecord::query()->toBase()->insert($chunk);
        }
    }

    /**
     * @param  list<string>|null  $topics  null for all
     * @return list<array<string, string|null>> rows of the table of facts
     */
    private function ledToByNotes(MapRecord $map, ?array $topics): array
    {
        $found = [];
        foreach ($topics === null ? [null] : array_chunk($topics, self::CHUNK) as $ids) {
            $notes = TopicRecord::query()->toBase()->where('map_id', $map->id)->whereNull('removed')->where('note', 'like', '%/topics/%')->when($ids !== null, fn ($query) => $query->whereIn('id', $ids ?? []))->pluck('note', 'id');
            foreach ($notes as $topic => $note) {
                preg_match_all(self::ADDRESS, is_string($note) ? $note : '', $m, PREG_SET_ORDER);
                $to = array_unique(array_map(fn (array $one): string => "map:{$one[1]}/{$one[2]}", $m));
                foreach (array_slice($to, 0, self::MOST_IN_NOTE) as $address) {
                    $found[] = ['map_id' => $map->id, 'topic_id' => (string) $topic, 'field' => self::NOTE_TO, 'text' => $address, 'number' => null, 'date' => null];
                }
            }
        }

        return $found;
    }
}
