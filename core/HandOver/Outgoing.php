<?php

declare(strict_types=1);

namespace ChalkTree\HandOver;

use ChalkTree\Edit\Invariants;
use ChalkTree\Edit\Recorder;
use ChalkTree\Edit\Settles;
use ChalkTree\Features;
use ChalkTree\Map\NamesTopics;
use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;
use ChalkTree\Text\Asides;

/**
 * A map as others may have it: as if what is private, what is parked, what is in the trash and what somebody says in notes to
 * nobody else had never been there.
 * Every way out but a complete copy begins with it, so that numbers, sums, pictures and sentences are made of what is left.
 */
final class Outgoing
{
    /** Stands where words led to something private. */
    private const GAP = '…';

    /**
     * The ids of all private topics that are in the map.
     *
     * @return array<string, true>
     */
    public static function held(TopicMap $map): array
    {
        $held = [];
        foreach (self::features() as $feature) {
            foreach ($feature->heldTopics($map) as $top) {
                if (! isset($held[$top]) && $map->has($top)) {
                    $held += array_map(fn (Topic $topic): bool => true, $map->branch($top));
                }
            }
        }

        return $held;
    }

    /**
     * @param  string|null  $branch  the topic whose branch is wanted, if it is not the whole map
     * @param  bool  $hasAsides  whether somebody wants a print for themselves, with what they say to themselves in notes
     *
     * @throws NothingLeaves where the root, or the top of that branch, is private
     */
    public static function of(TopicMap $map, ?string $branch = null, bool $hasAsides = false): TopicMap
    {
        return self::cut($map, $map, $branch, $hasAsides);
    }

    /**
     * A map as it left once, without what has become private in it since.
     *
     * @param  TopicMap  $then  as it left
     * @param  TopicMap  $now  all of it as it is
     *
     * @throws NothingLeaves where its root, or the top of that branch, has become so
     */
    public static function since(TopicMap $then, TopicMap $now, ?string $branch = null): TopicMap
    {
        return self::cut($then, $now, $branch);
    }

    /** @param  TopicMap  $says  says what is private */
    private static function cut(TopicMap $map, TopicMap $says, ?string $branch, bool $hasAsides = false): TopicMap
    {
        $held = self::held($says);
        if (isset($held[$map->sheet()->root]) || ($branch !== null && isset($held[$branch]))) {
            throw new NothingLeaves;
        }
        $left = clone $map;
        $recorder = new Recorder($left);
        foreach (self::features() as $feature) {
            foreach ($feature->heldRows($says) as $row) {
                if ($left->row($row::type(), $row->id) !== null) {
                    $recorder->drop($row::type(), $row->id);
                }
            }
        }
        foreach (array_keys($held) as $id) {
            // What stood below it then may stand elsewhere by now.
            foreach ($left->has((string) $id) ? $left->branch((string) $id) : [] as $topic) {
                $recorder->put($topic->with(['removed' => $topic->id]));
            }
        }
        foreach (array_keys($left->parked()) as $id) {
            foreach ($left->branch((string) $id) as $topic) {
                $recorder->put($topic->with(['removed' => $topic->id]));
            }
        }
        self::settle($left, $recorder);

        return new TopicMap(self::rows($left, $map, $hasAsides));
    }

    /** What hung on topics that are gone goes, or is tied anew, as when a person removes them. */
    private static function settle(TopicMap $left, Recorder $recorder): void
    {
        $settle = function () use ($left, $recorder): void {
            Invariants::settle($left, $recorder);
            foreach (Features::all() as $feature) {
                if ($feature instanceof Settles) {
                    $feature->settle($left, $recorder);
                }
            }
        };
        if ($recorder->touchedTopics() !== []) {
            $settle();
        }
        $isDead = false;
        foreach (Features::rows() as $class) {
            foreach ($left->rowsOf($class) as $row) {
                if (! $left->isLiving($row)) {
                    $recorder->drop($row::type(), $row->id);
                    $isDead = true;
                }
            }
        }
        if ($isDead) {
            $settle();
        }
    }

    /** @return iterable<\ChalkTree\Map\Row> */
    private static function rows(TopicMap $left, TopicMap $map, bool $hasAsides): iterable
    {
        $all = $left->all();
        yield $left->sheet();
        foreach ($all as $topic) {
            yield $topic->with(array_map(fn (string $text): string => self::leadingNowhere($text, $all, $map), ['title' => $topic->title, 'caption' => $topic->caption, 'note' => $hasAsides ? $topic->note : Asides::without($topic->note)]));
        }
        $isThere = fn (string $id): bool => isset($all[$id]);
        foreach ($left->living() as $row) {
            $row = $row instanceof NamesTopics ? $row->among($isThere) : $row;
            if ($row !== null && self::goneFrom(implode("\n", array_filter($row->saying(), is_string(...))), $all, $map) === []) {
                yield $row;
            }
        }
    }

    /**
     * @param  array<string, Topic>  $all
     * @return list<string> the topics of this map to which addresses in a text lead that have not gone along
     */
    private static function goneFrom(string $text, array $all, TopicMap $map): array
    {
        if (! str_contains($text, '/') || preg_match_all('~/([0-9a-z]{26})(?![0-9a-z])~', $text, $m) < 1) {
            return [];
        }

        return array_values(array_filter(array_unique($m[1]), fn (string $id): bool => ! isset($all[$id]) && $map->row(Topic::type(), $id) !== null));
    }

    /**
     * A text without the ways in it that lead to topics of this map that have not gone along.
     *
     * @param  array<string, Topic>  $all  those that have
     */
    private static function leadingNowhere(string $text, array $all, TopicMap $map): string
    {
        foreach (self::goneFrom($text, $all, $map) as $id) {
            $text = preg_replace('~\[(?:[^\[\]\\\\\n]|\\\\.|\[[^\[\]\n]*\])*+\]\(<?[^\s()<>]*'.$id.'[^\s()<>]*>?(?:\s[^()\n]*)?\)~u', self::GAP, $text) ?? self::GAP;
            $text = preg_replace('~[^\s()<>\[\]]*'.$id.'[^\s()<>\[\]]*~u', self::GAP, $text) ?? self::GAP;
        }

        return $text;
    }

    /** @return list<HoldsBack> */
    private static function features(): array
    {
        return array_values(array_filter(Features::all(), fn (object $feature): bool => $feature instanceof HoldsBack));
    }
}
