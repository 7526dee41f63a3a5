<?php

declare(strict_types=1);

namespace ChalkTree\Look;

use ChalkTree\Edit\Recorder;
use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;

/** In which turn first-level branches take their chalks: in the order in which they were made, whatever comes and goes. */
final class ChalkTurns
{
    /**
     * @param  list<string>  $branches  ids
     * @param  array<string, ChalkTurn>  $kept  by branch
     * @return array<string, int> from 0, by branch in the order in which they were made
     */
    public static function of(array $branches, array $kept): array
    {
        sort($branches, SORT_STRING);
        $turns = [];
        $last = -1;
        foreach ($branches as $id) {
            $turns[$id] = $last = isset($kept[$id]) ? $kept[$id]->number('turn') ?? 0 : $last + 1;
        }

        return $turns;
    }

    /** Where branches have gone from the root, those made after them keep their turns. */
    public static function settle(TopicMap $map, Recorder $recorder): void
    {
        $root = $map->sheet()->root;
        $isThere = static fn (?Topic $topic): bool => $topic?->parent === $root && $topic->removed === null;
        $gone = $new = [];
        foreach ($recorder->touchedTopics() as $id => $before) {
            $now = $map->row(Topic::type(), (string) $id);
            [$was, $is] = [$isThere($before), $isThere($now instanceof Topic ? $now : null)];
            $was && ! $is ? $gone[] = (string) $id : null;
            $is && ! $was ? $new[] = (string) $id : null;
        }
        if ($gone === [] && $new === []) {
            return;
        }
        $kept = $map->rowsOf(ChalkTurn::class);
        $were = $kept;
        foreach ($recorder->beforeOf(ChalkTurn::type()) as $id => $row) {
            $were[$id] = $row;
        }
        $branches = array_map(strval(...), array_keys($map->children($root)));
        $before = self::of([...array_diff($branches, $new), ...$gone], array_filter($were, fn (mixed $row): bool => $row instanceof ChalkTurn));
        sort($branches, SORT_STRING);
        $last = -1;
        foreach ($branches as $id) {
            // What has its turn again gives those after it theirs, so this is of() once more, one by one.
            $turn = isset($kept[$id]) ? $kept[$id]->number('turn') ?? 0 : $last + 1;
            if (isset($before[$id]) && $turn !== $before[$id]) {
                $recorder->keep(ChalkTurn::fromFields($id, ['turn' => $turn = $before[$id]]));
            }
            $last = $turn;
        }
    }
}
