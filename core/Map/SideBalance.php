<?php

declare(strict_types=1);

namespace ChalkTree\Map;

/**
 * Shares the root's branches between its two sides. It runs when a branch comes to the root and when a person asks
 * for it, and what it finds is kept in the topics, so that adding one topic never makes another branch change sides.
 * Heights are estimated in lines of text, because what it decides must not hang on who has folded what.
 */
final class SideBalance
{
    private const CHARACTERS_A_LINE = 30;

    private const LINE = 20;

    private const SLIP = 12;

    private const GAP = 8;

    private const BRANCH_GAP = 22;

    /** The side with less on it; the right one where both weigh the same. */
    public static function lighter(TopicMap $map, ?string $without = null): Side
    {
        $weight = self::weights($map, $without);

        return $weight['left'] < $weight['right'] ? Side::Left : Side::Right;
    }

    /**
     * Sides for several new branches, each in turn on the one that is lighter by then.
     *
     * @param  list<int>  $topics  how many topics each of them has
     * @return list<Side>
     */
    public static function share(TopicMap $map, array $topics): array
    {
        $weight = self::weights($map, null);
        $sides = [];
        foreach ($topics as $count) {
            $side = $weight['left'] < $weight['right'] ? Side::Left : Side::Right;
            $weight[$side->value] += $count * (self::LINE + self::SLIP) + self::BRANCH_GAP;
            $sides[] = $side;
        }

        return $sides;
    }

    /** @return array{left: int, right: int} */
    private static function weights(TopicMap $map, ?string $without): array
    {
        $weight = ['left' => 0, 'right' => 0];
        foreach ($map->children($map->sheet()->root) as $topic) {
            if ($topic->side !== null && $topic->id !== $without) {
                $weight[$topic->side->value] += self::height($map, $topic->id) + self::BRANCH_GAP;
            }
        }

        return $weight;
    }

    /**
     * Sides for all branches of the root, in order: the first ones right, the rest left, cut where the two come out
     * most nearly the same height; branches whose side a person chose stay there.
     *
     * @return array<string, Side> by topic id
     */
    public static function whole(TopicMap $map): array
    {
        $branches = $map->children($map->sheet()->root);
        $heights = array_map(fn (Topic $topic): int => self::height($map, $topic->id) + self::BRANCH_GAP, $branches);
        $free = array_filter($branches, fn (Topic $topic): bool => ! $topic->sideHeld || $topic->side === null);
        $held = array_diff_key($branches, $free);
        $lead = 0;
        foreach ($held as $id => $topic) {
            $lead += $topic->side === Side::Right ? $heights[$id] : -$heights[$id];
        }
        $lead -= array_sum(array_intersect_key($heights, $free));
        $best = abs($lead);
        $rightOnes = 0;
        foreach (array_keys($free) as $i => $id) {
            $lead += 2 * $heights[$id];
            if (abs($lead) < $best || ($i === 0 && $held === [])) {
                $best = abs($lead);
                $rightOnes = $i + 1;
            }
        }
        $sides = [];
        foreach (array_keys($free) as $i => $id) {
            $sides[$id] = $i < $rightOnes ? Side::Right : Side::Left;
        }

        return $sides;
    }

    /** Gives a side to those branches of a new map that have none. */
    public static function settle(TopicMap $map): void
    {
        foreach (self::whole($map) as $id => $side) {
            $topic = $map->topic($id);
            if ($topic->side === null) {
                $map->put($topic->with(['side' => $side->value]));
            }
        }
    }

    /** The estimated height of a branch, in pixels. */
    private static function height(TopicMap $map, string $id): int
    {
        $heights = [];
        foreach (array_reverse($map->branch($id)) as $topic) {
            $lines = 1 + intdiv(strlen($topic->title), self::CHARACTERS_A_LINE) + substr_count($topic->title, "\n");
            $below = -self::GAP;
            foreach ($map->children($topic->id) as $child) {
                $below += $heights[$child->id] + self::GAP;
            }
            $heights[$topic->id] = max($lines * self::LINE + self::SLIP, $below);
        }

        return $heights[$id];
    }
}
