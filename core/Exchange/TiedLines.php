<?php

declare(strict_types=1);

namespace ChalkTree\Exchange;

use ChalkTree\Features;
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
        $signs = array_map(fn (WritesLines $feature): string => $feature->sign(), self::features());
        foreach ($map->all() as $id => $topic) {
            $plain = InlineMarkdown::oneLine($topic->title);
            if (array_filter($signs, fn (string $sign): bool => str_starts_with($plain, $sign)) !== [] && $topic->parent !== null && $topic->caption === '' && $topic->note === '' && $map->children((string) $id) === []) {
                $lines[$id] = $plain;
            } elseif ($hasRoot || $topic->id !== $map->root()->id) {
                $titles[$plain][] = (string) $id;
            }
        }
        foreach ($lines as $id => $line) {
            foreach (self::features() as $feature) {
                $rows = str_starts_with($line, $feature->sign()) ? $feature->readLine($map, (string) $map->topic((string) $id)->parent, $line, $titles) : [];
                if ($rows !== []) {
                    array_map($map->put(...), $rows);
                    $map->drop(Topic::type(), (string) $id);
                    break;
                }
            }
        }

        return $map;
    }

    /** @return list<WritesLines> */
    private static function features(): array
    {
        return array_values(array_filter(Features::all(), fn (object $feature): bool => $feature instanceof WritesLines));
    }
}
