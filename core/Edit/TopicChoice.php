<?php

declare(strict_types=1);

namespace ChalkTree\Edit;

use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;

/** Several topics named by an edit, seen as branches of the map. */
final class TopicChoice
{
    /**
     * The named topics that do not stand below another named one, in reading order.
     *
     * @param  list<string>  $ids
     * @return array<string, Topic> by id
     */
    public static function tops(TopicMap $map, array $ids): array
    {
        $chosen = [];
        foreach ($ids as $id) {
            $chosen[$id] = $map->topic($id, 'topics');
        }
        $trails = [];
        $places = [];
        foreach ($chosen as $id => $topic) {
            $above = array_map(fn (Topic $at): string => $at->id, $map->ancestors($id));
            if (array_intersect_key(array_flip($above), $chosen) === []) {
                $trails[$id] = self::trail($map, $topic, $places);
            }
        }
        uasort($trails, self::compare(...));

        return array_map(fn (string $id): Topic => $chosen[$id], array_combine(array_keys($trails), array_keys($trails)));
    }

    /**
     * The named topics in reading order.
     *
     * @param  list<string>  $ids
     * @return list<string>
     */
    public static function inOrder(TopicMap $map, array $ids): array
    {
        $trails = [];
        $places = [];
        foreach ($ids as $id) {
            $trails[$id] = self::trail($map, $map->topic($id, 'topics'), $places);
        }
        uasort($trails, self::compare(...));

        return array_map(strval(...), array_keys($trails));
    }

    /**
     * Of topics of which some may have gone to the trash, the first that is left.
     *
     * @param  non-empty-list<string>  $ids
     */
    public static function firstLeft(TopicMap $map, array $ids): string
    {
        foreach ($ids as $id) {
            if ($map->has($id)) {
                return $id;
            }
        }

        return $ids[0];
    }

    /**
     * The named topics in the order given or, where an edit goes deep, they and all below them.
     *
     * @param  list<string>  $ids
     * @return array<string, Topic> by id
     */
    public static function reach(TopicMap $map, array $ids, bool $deep): array
    {
        $reach = [];
        foreach ($ids as $id) {
            $reach += $deep ? $map->branch($map->topic($id, 'topics')->id) : [$id => $map->topic($id, 'topics')];
        }

        return $reach;
    }

    /**
     * @param  list<string>  $ids
     * @return list<string> their titles, also of those now in the trash
     */
    public static function titles(TopicMap $map, array $ids): array
    {
        return array_map(function (string $id) use ($map): string {
            $topic = $map->row(Topic::type(), $id);

            return $topic instanceof Topic ? $topic->title : '';
        }, $ids);
    }

    /**
     * The positions among siblings on the way down to a topic, which order topics as one reads: the root's branch
     * first, then what is loose, then what is parked.
     *
     * @param  array<string, array<string, int>>  $places  positions by parent and id, as far as they are known already
     * @return list<int>
     */
    private static function trail(TopicMap $map, Topic $topic, array &$places): array
    {
        $trail = [];
        $top = $topic;
        foreach ([$topic, ...$map->ancestors($topic->id)] as $at) {
            $parent = $at->parent ?? '';
            $places[$parent] ??= array_flip(array_keys($map->children($parent)));
            $trail[] = $places[$parent][$at->id] ?? 0;
            $top = $at;
        }
        $trail[] = $top->parked !== null ? 2 : ($top->id === $map->sheet()->root ? 0 : 1);

        return array_reverse($trail);
    }

    /**
     * @param  list<int>  $a
     * @param  list<int>  $b
     */
    private static function compare(array $a, array $b): int
    {
        foreach ($a as $i => $position) {
            if ($position !== ($b[$i] ?? null)) {
                return $position <=> ($b[$i] ?? -1);
            }
        }

        return count($a) <=> count($b);
    }
}
