<?php

declare(strict_types=1);

namespace ChalkTree\Edit;

use ChalkTree\Features;
use ChalkTree\Map\Bounds;
use ChalkTree\Map\Rank;
use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;
use ChalkTree\Map\TreeCheck;

/**
 * What holds of every map after every change, whatever the change was: the root is there, every topic that was touched
 * is in the trash or can be reached from the root, from a loose topic or from a parked one, nothing stands above itself
 * or too deep, and no two siblings have one rank. Only what was touched is looked at.
 */
final class Invariants
{
    /**
     * Parts siblings that have come to one rank, and tells what else is wrong.
     *
     * @param  bool  $isBack  whether what was is put back as it was, with all that was said of places
     * @return string|null a sentence; null for a sound map
     */
    public static function settle(TopicMap $map, Recorder $recorder, bool $isBack = false): ?string
    {
        $placed = self::placed($map, $recorder);
        if (! $isBack) {
            self::dropOfPlace($map, $recorder);
        }
        self::partTies($map, $recorder, $placed);

        return TreeCheck::rootProblem($map) ?? self::problem($map, $recorder) ?? self::depthProblem($map, $placed);
    }

    /** What features say of how a topic stands goes when it comes to hang on another, unless this edit says it anew. */
    private static function dropOfPlace(TopicMap $map, Recorder $recorder): void
    {
        foreach (array_filter(Features::rows(), fn (string $class): bool => $class::isOfPlace()) as $class) {
            foreach ($map->rowsOf($class) === [] ? [] : $recorder->touchedTopics() as $id => $first) {
                $topic = $map->find($id);
                if ($topic !== null && $first !== null && $topic->parent !== $first->parent && $map->row($class::type(), $id) !== null && ! $recorder->has($class::type(), $id)) {
                    $recorder->drop($class::type(), $id);
                }
            }
        }
    }

    /** @return array<string, Topic> the topics in the map that have come to another place than they had, by id */
    private static function placed(TopicMap $map, Recorder $recorder): array
    {
        $placed = [];
        foreach ($recorder->touchedTopics() as $id => $first) {
            $topic = $map->find($id);
            if ($topic !== null && ($first === null || $first->removed !== null || $first->parent !== $topic->parent || $first->rank !== $topic->rank)) {
                $placed[$id] = $topic;
            }
        }

        return $placed;
    }

    /**
     * Two siblings can come to one rank where a topic returns to a place that another was given meanwhile. The one that
     * returns goes behind.
     *
     * @param  array<string, Topic>  $placed
     */
    private static function partTies(TopicMap $map, Recorder $recorder, array $placed): void
    {
        foreach (array_unique(array_map(fn (Topic $topic): string => $topic->parent ?? '', $placed)) as $parent) {
            $siblings = array_values($map->children($parent));
            for ($i = 0; $i < count($siblings); $i = $end) {
                for ($end = $i + 1; $end < count($siblings) && $siblings[$end]->rank === $siblings[$i]->rank; $end++);
                if ($end - $i > 1) {
                    $tied = array_slice($siblings, $i, $end - $i);
                    usort($tied, fn (Topic $a, Topic $b): int => isset($placed[$a->id]) <=> isset($placed[$b->id]));
                    foreach (Rank::run($tied[0]->rank, $siblings[$end]->rank ?? null, count($tied) - 1) as $n => $rank) {
                        $recorder->put($tied[$n + 1]->with(['rank' => $rank]));
                    }
                }
            }
        }
    }

    private static function problem(TopicMap $map, Recorder $recorder): ?string
    {
        /** @var array<string, true> $sound topics known to hang on something */
        $sound = [];
        foreach ($recorder->touchedTopics() as $id => $_) {
            $topic = $map->find($id);
            $problem = $topic === null ? self::orphanProblem($map, $id) : TreeCheck::problemAt($map, $topic, $sound);
            if ($problem !== null) {
                return $problem;
            }
        }

        return null;
    }

    private static function orphanProblem(TopicMap $map, string $id): ?string
    {
        return $map->children($id) === [] ? null : "Topics would be left below {$id}, which is not in the map.";
    }

    /** @param  array<string, Topic>  $placed */
    private static function depthProblem(TopicMap $map, array $placed): ?string
    {
        foreach ($placed as $id => $topic) {
            // What stands below another that was placed is looked at with that one.
            if ($topic->parent === null || ! isset($placed[$topic->parent])) {
                $above = count($map->ancestors($id));
                if ($above + $map->height($id, Bounds::DEEPEST + 1) > Bounds::DEEPEST) {
                    return 'A branch can be at most 1,000 levels deep.';
                }
            }
        }

        return null;
    }
}
