<?php

declare(strict_types=1);

namespace App\Store;

use ChalkTree\Edit\Change;
use ChalkTree\Edit\Changes;
use ChalkTree\Features;
use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\Row;
use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;

/**
 * The rows of a map as browsers are sent them: all of them, or what has changed.
 *
 * @phpstan-type RowOfAnswer array{type: string, id: string, fields: array<string, scalar|null>|null, whole?: true, topics?: list<string>}
 */
final class RowData
{
    /** @return list<RowOfAnswer> every row that is in the map */
    public static function all(TopicMap $map): array
    {
        $rows = [['type' => 'map', 'id' => $map->sheet()->id(), 'fields' => $map->sheet()->fields()]];
        foreach ($map->everything() as $topic) {
            $rows[] = self::row($topic, null);
        }
        foreach ($map->living() as $row) {
            $rows[] = self::row($row, null);
        }

        return $rows;
    }

    /**
     * The fields that differ, as they are now. A row that is gone, or in the trash, has none. With topics that come
     * (back) into the map come the rows that are about them; with those that go, the browser lets these go by itself.
     *
     * @param  list<Changes>  $changes
     * @return list<RowOfAnswer>
     */
    public static function changed(TopicMap $map, array $changes): array
    {
        $fields = [];
        foreach ($changes as $record) {
            foreach ($record->all as $change) {
                $key = "{$change->type} {$change->id}";
                $fields[$key] = ['change' => $change, 'names' => ($fields[$key]['names'] ?? []) + (self::isWhole($change) || $change->after === null ? ['*' => 1] : array_fill_keys($change->names(), 1))];
            }
        }
        $rows = $come = [];
        foreach ($fields as ['change' => $change, 'names' => $names]) {
            $row = $map->row($change->type, $change->id);
            $there = $row !== null && ($row->fields()['removed'] ?? null) === null && $map->isLiving($row);
            $rows[] = $there ? self::row($row, isset($names['*']) ? null : $names) : ['type' => $change->type, 'id' => $change->id, 'fields' => null];
            if ($there && $row instanceof Topic && isset($names['*'])) {
                $come[$row->id] = $row->id;
            }
        }
        foreach ($come === [] ? [] : self::about($map, $come) as $row) {
            if (! isset($fields["{$row::type()} {$row->id}"])) {
                $rows[] = self::row($row, null);
            }
        }

        return $rows;
    }

    /**
     * The rows of features that are about some topics and in the map; those of all others are not looked into.
     *
     * @param  array<string, string>  $topics
     * @return iterable<FeatureRow>
     */
    private static function about(TopicMap $map, array $topics): iterable
    {
        foreach (Features::rows() as $class) {
            // Where there is one a topic, all others need not even be made.
            $rows = $class::isOfTopic() ? array_filter(array_map(fn (string $topic): ?Row => $map->row($class::type(), $topic), $topics)) : $map->rowsOf($class);
            foreach ($rows as $row) {
                if ($row instanceof FeatureRow && array_intersect($row->topics(), $topics) !== [] && $map->isLiving($row)) {
                    yield $row;
                }
            }
        }
    }

    /** Whether the other side may not have the row at all, so that it needs every field. */
    private static function isWhole(Change $change): bool
    {
        return $change->before === null || array_key_exists('removed', $change->before);
    }

    /**
     * @param  array<string, mixed>|null  $names  null for a row that the other side may not have: then all that it says, and "whole"
     * @return array{type: string, id: string, fields: array<string, scalar|null>, whole?: true, topics?: list<string>}
     */
    private static function row(Row $row, ?array $names): array
    {
        $base = ['type' => $row::type(), 'id' => $row->id()];
        if ($row instanceof FeatureRow) {
            return [...$base, 'fields' => $row->fields(), 'whole' => true, 'topics' => $row->topics()];
        }
        if ($names === null) {
            return [...$base, 'fields' => $row instanceof Topic ? $row->saying() : $row->fields(), 'whole' => true];
        }

        return [...$base, 'fields' => array_diff_key(array_intersect_key($row->fields(), $names), ['removed' => 1])];
    }
}
