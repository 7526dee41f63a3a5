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
    /** Every line begins with it, so that most titles need not be looked at twice. */
    public const SIGN = '→ ';

    /** The map with these lines as topics, before the subtopics of those that they are about. */
    public static function written(TopicMap $map): TopicMap
    {
        $written = null;
        foreach (Features::all() as $feature) {
            foreach ($feature instanceof WritesLines ? $feature->lines($map) : [] as $topic => $lines) {
                $written ??= clone $map;
                $first = array_values($written->children((string) $topic))[0] ?? null;
                foreach (Rank::run(null, $first?->rank, count($lines)) as $n => $rank) {
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
        foreach ($map->all() as $id => $topic) {
            $plain = InlineMarkdown::oneLine($topic->title);
            if (str_starts_with($plain, self::SIGN) && $topic->parent !== null && $topic->caption === '' && $topic->note === '' && $map->children((string) $id) === []) {
                $lines[$id] = $plain;
            } elseif ($hasRoot || $topic->id !== $map->root()->id) {
                $titles[$plain][] = (string) $id;
            }
        }
        foreach ($lines as $id => $line) {
            foreach (Features::all() as $feature) {
                $row = $feature instanceof WritesLines ? $feature->readLine((string) $map->topic((string) $id)->parent, $line, $titles) : null;
                if ($row !== null) {
                    $map->put($row);
                    $map->drop(Topic::type(), (string) $id);
                    break;
                }
            }
        }

        return $map;
    }
}
