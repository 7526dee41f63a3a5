<?php

declare(strict_types=1);

namespace ChalkTree\Draft;

use ChalkTree\Edit\Change;
use ChalkTree\Edit\Changes;
use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;
use ChalkTree\Text\WordCount;

/** How many words an edit has brought into the notes of a map, or taken from them: what moves from one topic to another is neither. */
final class WordsWritten
{
    /** @param  TopicMap  $map  as it is after the edit */
    public static function by(TopicMap $map, Changes $changes): int
    {
        $words = 0;
        foreach ($changes->all as $change) {
            if ($change->type === Topic::type() && self::isOfText($change)) {
                $topic = $map->row(Topic::type(), $change->id);
                $now = $topic instanceof Topic ? ['note' => $topic->note, 'removed' => $topic->removed] : ['note' => '', 'removed' => $change->id];
                $before = $change->before === null ? ['note' => '', 'removed' => null] : array_intersect_key($change->before, $now) + $now;
                $words += self::count($now) - self::count($before);
            }
        }

        return $words;
    }

    private static function isOfText(Change $change): bool
    {
        return $change->before === null || $change->after === null || array_intersect_key($change->before, ['note' => true, 'removed' => true]) !== [];
    }

    /** @param  array<string, mixed>  $fields  of a topic; what is in the trash is written no more */
    private static function count(array $fields): int
    {
        return $fields['removed'] === null && is_string($fields['note']) && $fields['note'] !== '' ? WordCount::of($fields['note']) : 0;
    }
}
