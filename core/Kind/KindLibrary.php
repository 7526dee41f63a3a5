<?php

declare(strict_types=1);

namespace ChalkTree\Kind;

use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Edit\Recorder;
use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\TopicMap;

/** Rows of kinds, and which of them belong together. */
final class KindLibrary
{
    /**
     * For each kind the rows that have to be taken with it, itself first.
     *
     * @param  iterable<FeatureRow>  $rows
     * @return array<string, list<FeatureRow>> by the ids of kinds
     */
    public static function bundles(iterable $rows): array
    {
        $known = $bundles = [];
        foreach ($rows as $row) {
            $known["{$row::type()} {$row->id}"] = $row;
        }
        foreach ($known as $kind) {
            if (! $kind instanceof Kind) {
                continue;
            }
            $taken = [];
            for ($waiting = [$kind]; ($row = array_shift($waiting)) !== null;) {
                $key = "{$row::type()} {$row->id}";
                if (isset($taken[$key])) {
                    continue;
                }
                $taken[$key] = $row;
                foreach ($row->needs() as [$class, $id]) {
                    $needed = $known["{$class::type()} {$id}"] ?? null;
                    if ($needed !== null) {
                        $waiting[] = $needed;
                    }
                }
            }
            $bundles[$kind->id] = array_values($taken);
        }

        return $bundles;
    }

    /**
     * Takes rows into a map; those that are there already stay as they are.
     *
     * @param  iterable<FeatureRow>  $rows
     *
     * @throws InvalidEdit where the map is full of them
     */
    public static function take(TopicMap $map, Recorder $recorder, iterable $rows): void
    {
        foreach ($rows as $row) {
            if ($map->row($row::type(), $row->id) !== null) {
                continue;
            }
            if (count($map->rowsOf($row::class)) >= $row::most()) {
                throw new InvalidEdit('A map holds at most '.number_format($row::most())." of this sort: {$row::words()}.", 'rows');
            }
            $recorder->put($row);
        }
    }
}
