<?php

declare(strict_types=1);

namespace ChalkTree\Map;

use ChalkTree\Text\InlineMarkdown;

/** The way down to a topic in words. */
final class Trail
{
    /** @return non-empty-list<string> titles from the top of its branch, its own last */
    public static function to(TopicMap $map, string $topic, ?int $widest = null): array
    {
        return array_map(
            fn (Topic $at): string => InlineMarkdown::oneLine($at->title, $widest),
            [...array_reverse($map->ancestors($topic)), $map->topic($topic)],
        );
    }
}
