<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\MapRecord;
use ChalkTree\Edit\Changes;
use ChalkTree\Features;
use ChalkTree\Map\RowTypes;
use ChalkTree\Map\Sheet;
use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;

/**
 * What is in the larger maps that are being edited, in memory that the servers of one machine share, so that an edit
 * reads the few rows it needs and not ten thousand. It holds for one state of a map and only for whoever holds the map
 * locked; who only looks at a map reads the tables.
 */
final readonly class Snapshots
{
    /** Smaller maps are read from the tables as fast. */
    private const FEWEST_TOPICS = 200;

    public function __construct(private PartedCache $cache, private MapStates $states)
    {
    }

    /** The map as it is in this state, each row read when it is asked for; null where it lies nowhere. */
    public function load(MapRecord $record): ?TopicMap
    {
        $parts = $this->cache->of($this->name($record), $this->states->of($record));
        if ($parts === null) {
            return null;
        }
        $map = new TopicMap([new Sheet($record->title, $record->root, $record->arrangement)]);
        $map->lendTopics(new SnapshotTopics($parts));
        $map->lendRows(fn (string $type): array => self::rows($parts->get("rows {$type}")));

        return $map;
    }

    /** @return array<string, string> JSON by id */
    private static function rows(?string $kept): array
    {
        $rows = $kept === null ? [] : unserialize($kept, ['allowed_classes' => false]);

        /** @var array<string, string> */
        return is_array($rows) ? $rows : [];
    }

    /** Sees to it that a map which was opened lies here when it is edited. */
    public function prepare(MapRecord $record, MapStore $store): void
    {
        $state = $this->states->of($record);
        if ($this->cache->of($this->name($record), $state) !== null || $record->topics()->count() < self::FEWEST_TOPICS) {
            return;
        }
        $map = $store->load($record);
        // Nobody is kept from editing it meanwhile; then it was read in two states, and is left.
        $now = MapRecord::query()->find($record->id);
        if ($now !== null && $this->states->read($now) === $state) {
            $this->keep($record, $map);
        }
    }

    /** Keeps a whole map as it is in this state, if it is large enough to be worth it. */
    public function keep(MapRecord $record, TopicMap $map): void
    {
        $rows = $map->rows();
        if (count($rows[Topic::type()] ?? []) < self::FEWEST_TOPICS) {
            return;
        }
        $texts = [];
        $below = [];
        foreach ($rows[Topic::type()] as $topic) {
            if ($topic instanceof Topic) {
                $texts[SnapshotTopics::key($topic->id)] = SnapshotTopics::written($topic);
                $below[$topic->removed === null ? $topic->parent ?? '' : null] = true;
            }
        }
        foreach (array_keys($below) as $parent) {
            $texts[SnapshotTopics::keyBelow((string) $parent)] = $this->idsBelow($map, (string) $parent);
        }
        foreach (Features::rows() as $class) {
            $texts["rows {$class::type()}"] = $this->written($map, $class::type());
        }
        $this->cache->keep($this->name($record), $this->states->of($record), $texts);
    }

    /**
     * Keeps what edits have changed since the state in which a map was loaded from here.
     *
     * @param  string  $before  that state
     * @param  list<Changes>  $changes  what they were
     *
     * @throws PartLost
     */
    public function follow(MapRecord $record, string $before, TopicMap $map, array $changes): void
    {
        $parts = $this->cache->of($this->name($record), $before);
        if ($parts === null) {
            return;
        }
        $texts = $parents = $types = [];
        foreach ($changes as $made) {
            foreach ($made->all as $change) {
                if ($change->type === Topic::type()) {
                    $topic = $map->row(Topic::type(), $change->id);
                    $texts[SnapshotTopics::key($change->id)] = $topic instanceof Topic ? SnapshotTopics::written($topic) : null;
                    foreach ([$change->before, $change->after, $topic?->fields()] as $fields) {
                        if ($fields !== null && array_key_exists('parent', $fields)) {
                            $parents[(string) $fields['parent']] = true;
                        }
                    }
                } elseif ($change->type !== Sheet::type()) {
                    $types[$change->type] = true;
                }
            }
        }
        foreach (array_keys($parents) as $parent) {
            $texts[SnapshotTopics::keyBelow((string) $parent)] = $this->idsBelow($map, (string) $parent);
        }
        // All rows of a sort lie together, so they are written once, however many changed.
        foreach (array_keys($types) as $type) {
            $texts["rows {$type}"] = $this->written($map, (string) $type);
        }
        $this->cache->change($this->name($record), $this->states->of($record), $parts, $texts);
    }

    private function idsBelow(TopicMap $map, string $parent): string
    {
        return implode(' ', array_keys($map->children($parent)));
    }

    /** What is not read yet is handed on as it lies, so that an edit makes only those rows that it asks for. */
    private function written(TopicMap $map, string $type): string
    {
        return serialize($map->written(RowTypes::ofFeature($type)));
    }

    private function name(MapRecord $record): string
    {
        return "map {$record->id}";
    }
}
