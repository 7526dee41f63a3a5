<?php

declare(strict_types=1);

namespace ChalkTree\Words;

use ChalkTree\Ask\Moment;
use ChalkTree\Map\TopicMap;
use ChalkTree\Text\WordCount;

/** How many words there are at a moment: of a topic, and of all that is below it. */
final readonly class Words
{
    public static function own(TopicMap $map, string $topic): int
    {
        return WordCount::of($map->topic($topic)->note);
    }

    public static function below(Moment $now, string $topic): int
    {
        return self::all($now)[$topic] ?? 0;
    }

    /** "1,240 words". */
    public static function told(int $count): string
    {
        return number_format($count).($count === 1 ? ' word' : ' words');
    }

    /** @return array<string, int> of what is below each topic that has anything below it, all reckoned at once */
    private static function all(Moment $now): array
    {
        return $now->once('words below', function () use ($now): array {
            $below = [];
            // Each stands before what is below it.
            foreach (array_reverse($now->map->all(), true) as $id => $topic) {
                if ($topic->parent !== null) {
                    $below[$topic->parent] = ($below[$topic->parent] ?? 0) + ($below[$id] ?? 0) + ($topic->note === '' ? 0 : WordCount::of($topic->note));
                }
            }

            return $below;
        });
    }
}
