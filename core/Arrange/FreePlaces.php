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
    /** Parents with new topics that are laid out each for itself. */
    private const FEW = 6;

    public static function settle(TopicMap $map, Recorder $recorder): void
    {
        $places = $map->rowsOf(Place::class);
        $isFree = self::anyFree($map);
        if (! $isFree) {
            return;
        }
        self::keepRearranged($map, $recorder);
        $parents = [];
        foreach ($recorder->touchedTopics() as $id => $before) {
            $topic = $map->find((string) $id);
            if ($topic !== null && $topic->parent !== null && ! isset($places[$id]) && ($before === null || $before->parent !== $topic->parent || $before->removed !== null)) {
                $parents[$topic->parent] = $topic->parent;
            }
        }
        $parents = array_filter($parents, fn (string $parent): bool => self::isFree($map, $parent));
        // A few are laid out each for itself, many all at once with the map.
        $whole = count($parents) > self::FEW ? Layout::of($map, new View)->scene()->boxes() : null;
        foreach ($parents as $parent) {
            self::keepNew($map, $recorder, $parent, $whole);
        }
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
     * New topics below one stay where they first stand.
     *
     * @param  array<string, array{id: string, parent: string|null, x: float, y: float, w: float, h: float}>|null  $boxes  of the map, where it was laid out
     */
    private static function keepNew(TopicMap $map, Recorder $recorder, string $parent, ?array $boxes): void
    {
        $children = array_map(strval(...), array_keys($map->children($parent)));
        $boxes ??= Layout::of($map, View::folding($children, $parent))->scene()->boxes();
        foreach ($children as $id) {
            if ($map->row(Place::type(), $id) === null && isset($boxes[$id], $boxes[$parent])) {
                self::keep($recorder, $id, $boxes[$parent], $boxes[$id]);
            }
        }
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
