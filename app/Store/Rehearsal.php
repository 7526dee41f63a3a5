<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\MapRecord;
use ChalkTree\Edit\Change;
use ChalkTree\Edit\Changes;
use ChalkTree\Edit\Edits;
use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\Row;
use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;

/** Makes an edit on a copy of a map and tells what it would do; nothing is kept. */
final readonly class Rehearsal
{
    private const MOST_TOLD = 500;

    public function __construct(private MapStore $store)
    {
    }

    /** @return array{count: int, items: list<array{what: string, topic: string, before: string, after: string}>} "RehearsalAnswer" in the wire schema */
    public function of(MapRecord $record, mixed $body): array
    {
        $body = EditBody::read($body);
        $before = $this->store->load($record);
        $after = clone $before;
        $items = $this->told($before, $after, Edits::apply($body->edit(), $after));

        return ['count' => count($items), 'items' => array_slice($items, 0, self::MOST_TOLD)];
    }

    /** @return list<array{what: string, topic: string, before: string, after: string}> */
    private function told(TopicMap $before, TopicMap $after, Changes $changes): array
    {
        $items = [];
        foreach ($changes->all as $change) {
            $item = $change->type === Topic::type() ? $this->item($before, $after, $change) : $this->rowItem($before, $after, $change);
            if (isset($item['topic'])) {
                $items[] = $item;
            } elseif ($item !== null) {
                $items[] = ['topic' => $change->id] + $item;
            }
        }

        return $items;
    }

    /** @return array{topic: string, what: string, before: string, after: string}|null */
    private function rowItem(TopicMap $before, TopicMap $after, Change $change): ?array
    {
        $old = $before->row($change->type, $change->id);
        $new = $after->row($change->type, $change->id);
        $row = $new ?? $old;
        if (! $row instanceof FeatureRow || ! $row::isTold()) {
            return null;
        }
        $told = fn (?Row $state): string => self::short(implode(', ', array_map(strval(...), $state instanceof FeatureRow ? array_diff_key($state->saying(), array_flip($state::ends())) : [])));

        return ['topic' => $row->topics()[0] ?? $after->sheet()->root, 'what' => $row::words(), 'before' => $told($old), 'after' => $told($new)];
    }

    /** @return array{what: string, before: string, after: string}|null */
    private function item(TopicMap $before, TopicMap $after, Change $change): ?array
    {
        $old = $before->find($change->id);
        $new = $after->find($change->id);
        if ($old === null || $new === null) {
            return $old === $new ? null : ['what' => $old === null ? 'added' : 'removed', 'before' => $old->title ?? '', 'after' => $new->title ?? ''];
        }
        foreach (['title', 'caption', 'note'] as $field) {
            if ($old->{$field} !== $new->{$field}) {
                return ['what' => $field, 'before' => self::short($old->{$field}), 'after' => self::short($new->{$field})];
            }
        }
        if ($old->parent !== $new->parent) {
            return ['what' => 'moved', 'before' => $old->title, 'after' => $new->parent === null ? '' : $after->topic($new->parent)->title];
        }

        return $old->rank === $new->rank ? null : ['what' => 'placed', 'before' => self::place($before, $old).'. '.$old->title, 'after' => self::place($after, $new).'. '.$new->title];
    }

    private static function place(TopicMap $map, Topic $topic): int
    {
        return 1 + (int) array_search($topic->id, array_keys($map->children($topic->parent ?? '')), true);
    }

    private static function short(string $text): string
    {
        return mb_strimwidth($text, 0, 300, '…');
    }
}
