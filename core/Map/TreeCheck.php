<?php

declare(strict_types=1);

namespace ChalkTree\Map;

/** Tells whether the topics of a map make a tree: one root, every parent there, no topic above itself, no rank twice among siblings. */
final class TreeCheck
{
    /**
     * @return list<string> what is wrong, a sentence each; empty for a sound map
     */
    public static function problems(TopicMap $map): array
    {
        $problems = [self::rootProblem($map)];
        $sound = [];
        $ranks = [];
        foreach ($map->rows()['topic'] ?? [] as $topic) {
            if ($topic instanceof Topic && $topic->removed === null) {
                $problems[] = self::problemAt($map, $topic, $sound);
                $place = ($topic->parent ?? '').' '.$topic->rank;
                $problems[] = isset($ranks[$place]) ? "The topics {$ranks[$place]} and {$topic->id} have one rank." : null;
                $ranks[$place] = $topic->id;
            }
        }

        return array_values(array_filter($problems, is_string(...)));
    }

    /** What is wrong with the root, or null. */
    public static function rootProblem(TopicMap $map): ?string
    {
        $root = $map->find($map->sheet()->root);

        return match (true) {
            $root === null => 'The root would be missing.',
            $root->parent !== null => 'The root would hang below another topic.',
            $root->parked !== null => 'The root would be in the parking lot.',
            default => null,
        };
    }

    /**
     * What is wrong on the way from this topic up to the top, or null.
     *
     * @param  array<string, true>  $sound  topics known to have a way to the top; those on this way are added
     */
    public static function problemAt(TopicMap $map, Topic $topic, array &$sound = []): ?string
    {
        if ($topic->parked !== null && $topic->parent !== null) {
            return "The topic {$topic->id} would be parked and below {$topic->parent} at once.";
        }
        $seen = [$topic->id => true];
        for ($at = $topic; $at->parent !== null && ! isset($sound[$at->id]); $at = $above) {
            $above = $map->find($at->parent);
            if ($above === null) {
                return "The topic {$at->id} would hang below {$at->parent}, which is not in the map.";
            }
            if (isset($seen[$above->id])) {
                return "The topic {$topic->id} would stand above itself.";
            }
            $seen[$above->id] = true;
        }
        $sound += $seen;

        return null;
    }
}
