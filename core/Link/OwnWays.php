<?php

declare(strict_types=1);

namespace ChalkTree\Link;

use ChalkTree\Map\TopicMap;

/**
 * Links in the texts of a map that lead to topics of the map itself. They name it by its id, which a copy does not have:
 * there they lead to the copy, and in files, which know of no id, it is called "self".
 */
final class OwnWays
{
    private const SELF = '/maps/self/topics/';

    /** @param  string  $file  a complete copy of a map, written */
    public static function inFile(string $file, string $map): string
    {
        return str_replace(self::path($map), self::SELF, $file);
    }

    /** @param  string  $file  as a file has it; in any other there is nothing of it */
    public static function fromFile(string $file, string $map): string
    {
        return str_replace(self::SELF, self::path($map), $file);
    }

    /** Lets those of a copy lead to the copy. */
    public static function turn(TopicMap $map, string $from, string $to): void
    {
        $turned = fn (string $text): string => str_replace(self::path($from), self::path($to), $text);
        foreach ($map->everything() as $topic) {
            if (str_contains("{$topic->title}\n{$topic->caption}\n{$topic->note}", self::path($from))) {
                $map->put($topic->with(['title' => $turned($topic->title), 'caption' => $turned($topic->caption), 'note' => $turned($topic->note)]));
            }
        }
    }

    private static function path(string $map): string
    {
        return "/maps/{$map}/topics/";
    }
}
