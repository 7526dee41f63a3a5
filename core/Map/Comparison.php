<?php

declare(strict_types=1);

namespace ChalkTree\Map;

/** What is different between two states of a map, topic by topic, as a person would tell it. */
final class Comparison
{
    /**
     * @return list<array{what: 'added'|'removed'|'moved'|'changed', topic: string, title: string, was: string}> in reading order, then those of which only what features keep is another, what was removed last; "was" is the title before, where that changed
     */
    public static function of(TopicMap $then, TopicMap $now): array
    {
        $before = $then->everything();
        $after = $now->everything();
        $differences = [];
        $orders = [];
        foreach ($after as $id => $topic) {
            $old = $before[$id] ?? null;
            $what = match (true) {
                $old === null => 'added',
                $old->parent !== $topic->parent || $old->parked !== $topic->parked || self::isReordered($then, $now, $topic, $orders) => 'moved',
                $old->saysOtherThan($topic) => 'changed',
                default => null,
            };
            if ($what !== null) {
                $differences[] = ['what' => $what, 'topic' => (string) $id, 'title' => $topic->title, 'was' => $old === null || $old->title === $topic->title ? '' : $old->title];
            }
        }
        array_push($differences, ...self::rows($then, $now, array_column($differences, 'topic', 'topic')));
        foreach (array_diff_key($before, $after) as $id => $topic) {
            $differences[] = ['what' => 'removed', 'topic' => (string) $id, 'title' => $topic->title, 'was' => ''];
        }

        return $differences;
    }

    /**
     * What features keep, where it is another: told once a topic, unless something else is told of that.
     *
     * @param  array<string, string>  $told
     * @return list<array{what: 'changed', topic: string, title: string, was: string}>
     */
    private static function rows(TopicMap $then, TopicMap $now, array $told): array
    {
        $keyed = function (TopicMap $map): array {
            $rows = [];
            foreach ($map->living() as $row) {
                if ($row::isTold()) {
                    $rows[$row::type().' '.$row->id] = $row;
                }
            }

            return $rows;
        };
        $before = $keyed($then);
        $after = $keyed($now);
        $differences = [];
        foreach ($after + $before as $key => $row) {
            if (($before[$key] ?? null)?->fields() === ($after[$key] ?? null)?->fields()) {
                continue;
            }
            foreach ($row->topics() as $id) {
                $topic = $now->find($id);
                if ($topic !== null && ! isset($told[$id])) {
                    $told[$id] = $id;
                    $differences[] = ['what' => 'changed', 'topic' => $id, 'title' => $topic->title, 'was' => ''];
                }
            }
        }

        return $differences;
    }

    /**
     * Whether a topic got a new rank and by it another place among those siblings that were there before.
     *
     * @param  array<string, array<string, array{int, int}>>  $orders  what is known of each parent already
     */
    private static function isReordered(TopicMap $then, TopicMap $now, Topic $topic, array &$orders): bool
    {
        $parent = $topic->parent ?? '';
        if (! isset($orders[$parent])) {
            $old = array_keys(array_intersect_key($then->children($parent), $now->children($parent)));
            $new = array_keys(array_intersect_key($now->children($parent), $then->children($parent)));
            $places = array_flip($new);
            $orders[$parent] = [];
            foreach ($old as $place => $id) {
                $orders[$parent][$id] = [$place, $places[$id]];
            }
        }
        [$was, $is] = $orders[$parent][$topic->id] ?? [0, 0];

        return $was !== $is && $then->find($topic->id)?->rank !== $topic->rank;
    }
}
