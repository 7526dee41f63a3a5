<?php

declare(strict_types=1);

namespace ChalkTree\Show;

use ChalkTree\Document\Block;
use ChalkTree\Document\Inline;
use ChalkTree\Document\Listing;
use ChalkTree\Document\Paragraph;
use ChalkTree\Document\Words;
use ChalkTree\Map\TopicMap;
use ChalkTree\Text\InlineMarkdown;
use ChalkTree\Text\Run;

/** What a slide shows, as true text: a list of lists. */
final class SlideOutline
{
    /**
     * @param  list<string>  $seen  the topics on the slide, in the order of the map
     * @param  string  $title  of the slide; a topic above all others that says the same is left out
     * @param  list<string>  $covered  topics that are covered, which are a gap
     * @return list<Block>
     */
    public static function of(TopicMap $map, array $seen, string $title, array $covered = []): array
    {
        $on = array_fill_keys($seen, true);
        $below = $tops = [];
        foreach ($seen as $id) {
            $at = $map->topic($id)->parent;
            while ($at !== null && ! isset($on[$at])) {
                $at = $map->find($at)?->parent;
            }
            $at === null ? $tops[] = $id : $below[$at][] = $id;
        }
        if (count($tops) === 1 && InlineMarkdown::oneLine($map->topic($tops[0])->title) === $title && ! in_array($tops[0], $covered, true)) {
            $tops = $below[$tops[0]] ?? [];
        }

        return $tops === [] ? [] : [self::listed($map, $tops, $below, $covered)];
    }

    /**
     * @param  non-empty-list<string>  $topics
     * @param  array<string, non-empty-list<string>>  $below
     * @param  list<string>  $covered
     */
    private static function listed(TopicMap $map, array $topics, array $below, array $covered): Listing
    {
        return new Listing(array_map(function (string $id) use ($map, $below, $covered): array {
            $runs = InlineMarkdown::runs($map->topic($id)->title);
            $title = in_array($id, $covered, true) || $runs === [] ? [Words::plain('…')] : array_map(fn (Run $run): Inline => new Words($run), $runs);

            return [new Paragraph($title), ...(isset($below[$id]) ? [self::listed($map, $below[$id], $below, $covered)] : [])];
        }, $topics));
    }
}
