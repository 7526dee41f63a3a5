<?php

declare(strict_types=1);

namespace ChalkTree\CrossLink;

use ChalkTree\Map\TopicMap;
use ChalkTree\Text\SameWords;

/**
 * The propositions of a map held against those of another, a teacher's: which are there, which are missing, and which the
 * other has not. Two are the same if both topics and the phrase have the same words, in whatever order, whatever capitals
 * and articles they are written with.
 */
final readonly class MapMatch
{
    /**
     * @param  list<Sentence>  $there  of the map
     * @param  list<Sentence>  $missing  of the other
     * @param  list<Sentence>  $other  of the map
     */
    private function __construct(public array $there, public array $missing, public array $other)
    {
    }

    public static function of(TopicMap $map, TopicMap $model): self
    {
        $wanted = [];
        foreach (self::said($model) as $one) {
            $wanted[self::key($one)] ??= $one;
        }
        $there = $other = $found = [];
        foreach (self::said($map) as $one) {
            $key = self::key($one);
            if (isset($wanted[$key])) {
                $found[$key] = true;
                $there[] = $one;
            } else {
                $other[] = $one;
            }
        }

        return new self($there, array_values(array_diff_key($wanted, $found)), $other);
    }

    /** @return list<Sentence> those that have a phrase */
    private static function said(TopicMap $map): array
    {
        return array_values(array_filter(Sentences::of($map)->all, fn (Sentence $one): bool => ! $one->isMissingPhrase()));
    }

    private static function key(Sentence $sentence): string
    {
        return implode("\t", array_map(SameWords::key(...), [$sentence->first, $sentence->phrase, $sentence->last]));
    }
}
