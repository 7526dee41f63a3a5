<?php

declare(strict_types=1);

namespace ChalkTree\Map;

/** Tells whether the topics of a map make a tree: one root, every parent there, no topic above itself. */
final class TreeCheck
{
    /**
     * @return list<string> what is wrong, a sentence each; empty for a sound map
     */
    public static function problems(TopicMap $map): array
    {
        $problems = [];
        $root = $map->find($map->sheet()->root);
        if ($root === null || $root->parent !== null) {
            $problems[] = 'The root is missing or hangs below another topic.';
        }
        foreach ($map->rows()['topic'] ?? [] as $topic) {
            if ($topic instanceof Topic && $topic->removed === null) {
                $problem = self::problemAt($map, $topic);
                if ($problem !== null) {
                    $problems[] = $problem;
                }
            }
        }

        return $problems;
    }

    /** What is wrong on the way from this topic up to the top, or null. */
    public static function problemAt(TopicMap $map, Topic $topic): ?string
    {
        $seen = [$topic->id => true];
        for ($at = $topic; $at->parent !== null; $at = $above) {
            $above = $map->find($at->parent);
            if ($above === null) {
                return "The topic {$at->id} hangs below {$at->parent}, which is not in the map.";
            }
            if (isset($seen[$above->id])) {
                return "The topic {$topic->id} would stand above itself.";
            }
            $seen[$above->id] = true;
        }

        return null;
    }
}
