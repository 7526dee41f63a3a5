<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

use ChalkTree\Edit\Recorder;
use ChalkTree\Map\Sheet;
use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;

/**
 * Sees to it, after every edit, that each topic that stands free has a place of its own, so that it never moves by
 * itself: a new one a free place near by, and what was laid out otherwise before the place where it stood.
 */
final class FreePlaces
{
    /** For more new ones than this at once room is not sought for each, but for all below one parent together. */
    private const MOST_SOUGHT = 60;

    public static function settle(TopicMap $map, Recorder $recorder): void
    {
        $places = $map->rowsOf(Place::class);
        $isFree = self::anyFree($map);
        if (! $isFree) {
            return;
        }
        self::keepRearranged($map, $recorder);
        $new = [];
        foreach ($recorder->touchedTopics() as $id => $before) {
            $topic = $map->find((string) $id);
            if ($topic !== null && $topic->parent !== null && ! isset($places[$id]) && ($before === null || $before->parent !== $topic->parent || $before->removed !== null)) {
                $new[(string) $id] = $topic->parent;
            }
        }
        // So does what is let go of.
        foreach ($recorder->beforeOf(Place::type()) as $id => $before) {
            $topic = $before === null || isset($places[$id]) ? null : $map->find((string) $id);
            if ($topic?->parent !== null) {
                $new[(string) $id] = $topic->parent;
            }
        }
        $free = array_filter(array_unique($new), fn (string $parent): bool => self::isFree($map, $parent));
        self::keepNew($map, $recorder, array_filter($new, fn (string $parent): bool => in_array($parent, $free, true)));
    }

    private static function anyFree(TopicMap $map): bool
    {
        if ($map->sheet()->arrangement === Free::name()) {
            return true;
        }
        foreach ($map->rowsOf(BranchArrangement::class) as $row) {
            if ($row->text('name') === Free::name()) {
                return true;
            }
        }

        return false;
    }

    /** Whether what is right below a topic stands free. */
    private static function isFree(TopicMap $map, string $topic): bool
    {
        return BranchArrangement::nearest($map, $topic) === Free::name();
    }

    /** Where the edit let branches stand free, all in them keep the places that they had. */
    private static function keepRearranged(TopicMap $map, Recorder $recorder): void
    {
        $rows = $recorder->beforeOf(BranchArrangement::type());
        $sheet = $recorder->beforeOf(Sheet::type())[Sheet::ID] ?? null;
        $isOther = $sheet instanceof Sheet && $sheet->arrangement !== $map->sheet()->arrangement;
        $heads = array_values(array_filter(array_map(strval(...), array_keys($rows)), fn (string $id): bool => $map->has($id) && self::isFree($map, $id)));
        if ($isOther && $map->sheet()->arrangement === Free::name()) {
            $heads = [$map->sheet()->root, ...array_map(strval(...), array_keys($map->loose())), ...$heads];
        }
        if ($heads === []) {
            return;
        }
        $was = clone $map;
        foreach ($rows as $id => $row) {
            $row === null ? $was->drop(BranchArrangement::type(), (string) $id) : $was->put($row);
        }
        if ($isOther) {
            $was->put($sheet);
        }
        $boxes = Layout::of($was, new View)->scene()->boxes();
        foreach ($heads as $head) {
            foreach ($map->branch($head) as $id => $topic) {
                if ($topic->parent !== null && isset($boxes[$id], $boxes[$topic->parent]) && $map->row(Place::type(), (string) $id) === null && self::isFree($map, $topic->parent)) {
                    self::keep($recorder, (string) $id, $boxes[$topic->parent], $boxes[$id]);
                }
            }
        }
    }

    /**
     * New topics are given the first free place around their parent, and stay there.
     *
     * @param  array<string, string>  $new  their parents, by topic
     */
    private static function keepNew(TopicMap $map, Recorder $recorder, array $new): void
    {
        if ($new === []) {
            return;
        }
        $boxes = Layout::of($map, self::around($map, $new))->scene()->boxes();
        // Many at once stay together as they are laid out.
        $groups = [];
        // What came with another new one goes with it.
        $tops = array_filter($new, fn (string $parent): bool => array_filter([$parent, ...array_map(fn (Topic $above): string => $above->id, $map->ancestors($parent))], fn (string $above): bool => isset($new[$above])) === []);
        foreach ($tops as $id => $parent) {
            if (isset($boxes[$id], $boxes[$parent])) {
                $groups[count($tops) > self::MOST_SOUGHT ? $parent : $id][] = (string) $id;
            }
        }
        $branches = array_map(fn (array $ids): array => array_merge(...array_map(fn (string $id): array => array_intersect_key($boxes, $map->branch($id)), $ids)), $groups);
        $room = new Room(array_diff_key($boxes, ...array_values($branches)));
        foreach ($groups as $key => $ids) {
            $parent = $new[$ids[0]];
            if ($branches[$key] === []) {
                continue;
            }
            [$dx, $dy] = $room->near($boxes[$parent], $boxes[$ids[0]], array_values($branches[$key]));
            foreach ($branches[$key] as $each => $box) {
                $room->take($boxes[$each] = ['x' => $box['x'] + $dx, 'y' => $box['y'] + $dy] + $box);
            }
        }
        foreach ($new as $id => $parent) {
            if (isset($boxes[$id], $boxes[$parent])) {
                self::keep($recorder, (string) $id, $boxes[$parent], $boxes[$id]);
            }
        }
    }

    /**
     * The papers on which new topics stand free, with everything else folded: nothing of that can be in their way.
     *
     * @param  array<string, string>  $new
     */
    private static function around(TopicMap $map, array $new): View
    {
        $open = $above = [];
        foreach (array_unique($new) as $parent) {
            for ($head = $parent; ($next = $map->topic($head)->parent) !== null && self::isFree($map, $next);) {
                $head = $next;
            }
            $open[$head] = true;
            foreach ($map->ancestors($head) as $ancestor) {
                $open[$ancestor->id] = $above[$ancestor->id] = true;
            }
        }
        $folded = [];
        foreach (array_keys($above) as $id) {
            $folded += array_diff_key($map->children((string) $id), $open);
        }

        return View::folding(array_map(strval(...), array_keys($folded)));
    }

    /**
     * @param  array{x: float, y: float, w: float, h: float, ...}  $parent
     * @param  array{x: float, y: float, w: float, h: float, ...}  $box
     */
    private static function keep(Recorder $recorder, string $id, array $parent, array $box): void
    {
        $recorder->keep(Place::fromFields($id, [
            'x' => (int) round($box['x'] + $box['w'] / 2 - $parent['x'] - $parent['w'] / 2),
            'y' => (int) round($box['y'] + $box['h'] / 2 - $parent['y'] - $parent['h'] / 2),
        ]));
    }
}
