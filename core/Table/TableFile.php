<?php

declare(strict_types=1);

namespace ChalkTree\Table;

use ChalkTree\Ask\Column;
use ChalkTree\Ask\Columns;
use ChalkTree\Ask\Days;
use ChalkTree\Ask\Moment;
use ChalkTree\Exchange\CsvTable;
use ChalkTree\Kind\FieldSort;
use ChalkTree\Text\InlineMarkdown;
use ChalkTree\Text\Sameness;

/** Tables as files in text: one written, and how the columns of another would fit those of a map. */
final class TableFile
{
    /** Rows of one that are looked at to tell what a column holds. */
    private const LOOKED_AT = 500;

    /** Words of which there are no more than so many are a choice, where they come again. */
    private const FEW = 8;

    private const LONG = 200;

    /** What in English files often stands over a column of titles. */
    private const TITLES = ['title', 'name', 'topic', 'what', 'subject', 'chapter', 'scene', 'item'];

    /** The table as it is seen, with what one would type in its cells; how deep a row stands comes first where that differs. */
    public static function write(Moment $now, Table $table): string
    {
        $rows = TableRows::of($now, $table);
        $columns = array_map(fn (TableColumn $column): Column => $rows->all[$column->key], $rows->columns);
        $depths = [];
        foreach ($rows->groups as $group) {
            foreach ($group->rows as $row) {
                $depths[$row->topic] = $row->depth;
            }
        }
        $isDeep = array_filter($depths) !== [];
        $lines = [[...($isDeep ? ['Level'] : []), ...array_map(fn (Column $column): string => $column->words, $columns)]];
        foreach ($rows->topics() as $topic) {
            $lines[] = [...($isDeep ? [(string) ($depths[$topic] + 1)] : []), ...array_map(fn (Column $column): string => self::cell($now, $column, $topic), $columns)];
        }

        return CsvTable::write($lines);
    }

    private static function cell(Moment $now, Column $column, string $topic): string
    {
        if ($column->key === 'title') {
            return InlineMarkdown::plain($now->map->topic($topic)->title);
        }
        if ($column->typing !== null) {
            return $column->typing->typed($topic);
        }
        $number = $column->numberOf($topic);

        return $number === null ? implode(', ', $column->told($topic)) : (string) round($number, 8);
    }

    /**
     * Where each column of a file would go: to a column that is called the same, else to a new field.
     *
     * @return list<array{name: string, column: string|null, sort: string, choices: list<string>}> "column" is null where there is none of that name
     */
    public static function matches(Moment $now, CsvTable $file): array
    {
        $byName = [];
        foreach (Columns::of($now) as $column) {
            if ($column->typing !== null) {
                $byName[Sameness::key($column->words)] ??= $column->key;
            }
        }
        $taken = [];
        /** @var list<array{name: string, column: string|null, sort: string, choices: list<string>}> $matches */
        $matches = [];
        foreach ($file->head as $i => $name) {
            $column = $byName[Sameness::key($name)] ?? null;
            $column = $column !== null && isset($taken[$column]) ? null : $column;
            $taken += $column === null ? [] : [$column => true];
            $cells = array_values(array_filter(array_map(fn (array $row): string => trim($row[$i] ?? ''), array_slice($file->rows, 0, self::LOOKED_AT)), fn (string $cell): bool => $cell !== ''));
            [$sort, $choices] = self::sortOf($cells, $now->today);
            $matches[] = ['name' => mb_substr($name === '' ? 'Column '.($i + 1) : $name, 0, 60), 'column' => $column, 'sort' => $sort->value, 'choices' => $choices];
        }
        if (! isset($taken['title']) && $matches !== []) {
            $at = self::titleAt($matches);
            $matches[$at] = ['column' => 'title'] + $matches[$at];
        }

        return array_values($matches);
    }

    /**
     * The column of titles: one that is called so, else the first of text.
     *
     * @param  non-empty-list<array{name: string, column: string|null, sort: string, choices: list<string>}>  $matches
     */
    private static function titleAt(array $matches): int
    {
        foreach (self::TITLES as $title) {
            foreach ($matches as $i => $match) {
                if ($match['column'] === null && mb_strtolower($match['name']) === $title) {
                    return $i;
                }
            }
        }
        foreach ($matches as $i => $match) {
            if ($match['column'] === null && in_array($match['sort'], ['text', 'long'], true)) {
                return $i;
            }
        }

        return 0;
    }

    /**
     * @param  list<string>  $cells  none of them empty
     * @return array{FieldSort, list<string>}
     */
    private static function sortOf(array $cells, string $today): array
    {
        $all = fn (callable $is): bool => $cells !== [] && array_filter($cells, fn (string $cell): bool => ! $is($cell)) === [];
        $distinct = array_values(array_unique($cells));

        return match (true) {
            // A nought before other digits is part of a name, of a telephone say.
            $all(fn (string $cell): bool => CsvTable::isNumber($cell) && preg_match('/^0\d/', $cell) !== 1) => [FieldSort::Number, []],
            $all(fn (string $cell): bool => preg_match('/\d/', $cell) === 1 && mb_strlen($cell) <= 30 && Days::read($cell, $today) !== null) => [FieldSort::Date, []],
            $all(fn (string $cell): bool => in_array(mb_strtolower($cell), ['yes', 'no', 'true', 'false'], true)) => [FieldSort::Yes, []],
            count($distinct) <= self::FEW && count($cells) >= 2 * count($distinct) && $all(fn (string $cell): bool => preg_match('/^\P{C}{1,40}$/uD', $cell) === 1) => [FieldSort::Choice, $distinct],
            $all(fn (string $cell): bool => mb_strlen($cell) <= self::LONG && ! str_contains($cell, "\n")) => [FieldSort::Text, []],
            $cells === [] => [FieldSort::Text, []],
            default => [FieldSort::Long, []],
        };
    }
}
