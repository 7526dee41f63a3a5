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
        foreach ($chosen as $id => $topic) {
            $above = array_map(fn (Topic $at): string => $at->id, $map->ancestors($id));
            if (array_intersect_key(array_flip($above), $chosen) === []) {
                $trails[$id] = self::trail($map, $topic);
            }
        }
        uasort($trails, self::compare(...));

        return array_map(fn (string $id): Topic => $chosen[$id], array_combine(array_keys($trails), array_keys($trails)));
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

    /** @return list<int> the positions among siblings on the way down to a topic, which order topics as one reads */
    private static function trail(TopicMap $map, Topic $topic): array
    {
        $trail = [];
        foreach ([$topic, ...$map->ancestors($topic->id)] as $at) {
            array_unshift($trail, (int) array_search($at->id, array_keys($map->children($at->parent ?? '')), true));
        }

        return $trail;
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
