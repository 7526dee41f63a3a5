<?php

declare(strict_types=1);

namespace ChalkTree\Map;

/** Finds levels that hold a single topic, which are mostly noise. */
final class SingleLevels
{
    public static function isSingle(TopicMap $map, Topic $topic): bool
    {
        return $topic->parent !== null && count($map->children($topic->parent)) === 1;
    }

    /** @return list<string> the ids of topics that stand alone on their level, in reading order */
    public static function in(TopicMap $map, string $branch): array
    {
        $singles = [];
        foreach ($map->branch($branch) as $id => $topic) {
            $below = $map->children($id);
            if (count($below) === 1) {
                $singles[] = (string) array_key_first($below);
            }
        }

        return $singles;
    }
}
