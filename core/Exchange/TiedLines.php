<?php

declare(strict_types=1);

namespace ChalkTree\Exchange;

use ChalkTree\Features;
use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\Ids;
use ChalkTree\Map\Rank;
use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;
use ChalkTree\Text\InlineMarkdown;

/** What features say of topics, as lines among the topics of formats that have nothing else; and back. */
final class TiedLines
{
    /** The map with these lines as topics, before the subtopics of those that they are about. */
    public static function written(TopicMap $map): TopicMap
    {
        $written = null;
        foreach (self::features() as $feature) {
            foreach ($feature->lines($map) as $topic => $lines) {
                $written ??= clone $map;
                $below = array_values($written->children((string) $topic));
                // Text leaves an untitled topic out, and what is below it would come to stand below the line before it.
                $isBehind = $below !== [] && $below[0]->title === '';
                foreach (Rank::run($isBehind ? $below[count($below) - 1]->rank : null, $isBehind ? null : ($below[0]->rank ?? null), count($lines)) as $n => $rank) {
                    $written->put(Topic::fromFields(Ids::next(), ['parent' => (string) $topic, 'rank' => $rank, 'title' => InlineMarkdown::escape($lines[$n])]));
                }
            }
        }

        return $written ?? $map;
    }

    /**
     * Makes of such lines again what they say; those that say nothing stay topics.
     *
     * @param  bool  $hasRoot  whether the root stood among them, and was not made to hold them
     */
    public static function takeIn(TopicMap $map, bool $hasRoot = true): TopicMap
    {
        $lines = $titles = [];
        $signs = array_merge(...array_map(fn (WritesLines $feature): array => $feature->signs(), self::features()));
        foreach ($map->all() as $id => $topic) {
            $plain = InlineMarkdown::oneLine($topic->title);
            if (self::begins($plain, $signs) && $topic->parent !== null && $topic->caption === '' && $topic->note === '' && $map->children((string) $id) === []) {
                $lines[$id] = $plain;
            } elseif ($hasRoot || $topic->id !== $map->root()->id) {
                $titles[$plain][] = (string) $id;
            }
        }
        foreach ($lines as $id => $line) {
            foreach (self::features() as $feature) {
                $rows = self::begins($line, $feature->signs()) ? $feature->readLine($map, (string) $map->topic((string) $id)->parent, $line, $titles) : [];
                if ($rows !== [] && self::hasRoom($map, $rows)) {
                    array_map($map->put(...), $rows);
                    $map->drop(Topic::type(), (string) $id);
                    break;
                }
            }
        }

        return $map;
    }

    /** @param  list<string>  $signs */
    private static function begins(string $line, array $signs): bool
    {
        return array_filter($signs, fn (string $sign): bool => str_starts_with($line, $sign)) !== [];
    }

    /**
     * Whether a map can hold these rows too: of some sorts it holds only so many.
     *
     * @param  list<FeatureRow>  $rows
     */
    public static function hasRoom(TopicMap $map, array $rows): bool
    {
        $new = [];
        foreach ($rows as $row) {
            if (! $row::isOfTopic() && $map->row($row::type(), $row->id) === null) {
                $new[$row::class] = ($new[$row::class] ?? count($map->rowsOf($row::class))) + 1;
            }
        }

        return array_filter($new, fn (int $count, string $class): bool => $count > $class::most(), ARRAY_FILTER_USE_BOTH) === [];
    }

    /** @return list<WritesLines> */
    private static function features(): array
    {
        return array_values(array_filter(Features::all(), fn (object $feature): bool => $feature instanceof WritesLines));
    }
}
