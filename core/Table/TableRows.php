<?php

declare(strict_types=1);

namespace ChalkTree\Table;

use ChalkTree\Ask\CellTyping;
use ChalkTree\Ask\Column;
use ChalkTree\Ask\Columns;
use ChalkTree\Ask\Condition;
use ChalkTree\Ask\Heads;
use ChalkTree\Ask\Moment;
use ChalkTree\Ask\Ranks;

/** The rows of a table as it is at a moment: which, in which order, under which heads, and what stands in them and below. */
final readonly class TableRows
{
    /** Columns of which a table consists where nobody said, besides those of its fields and to-dos. */
    private const FIRST = ['title'];

    /** Fields that are columns where nobody said. */
    private const FIRST_FIELDS = 6;

    /** Letters of a cell that are told; all of it is there when it is typed. */
    private const WIDEST = 300;

    /** Beyond so many letters, what one would type is not told, and the cell is opened elsewhere. */
    private const LONGEST = 2_000;

    /**
     * @param  array<string, Column>  $all  every column that the map has, by key
     * @param  list<TableColumn>  $columns  those that are shown
     * @param  list<TableGroup>  $groups
     */
    private function __construct(private Moment $now, public array $all, public array $columns, public array $groups)
    {
    }

    /**
     * What stands in the cells of topics, without a look at which rows there are, where it is said what the columns are.
     *
     * @param  list<string>  $topics
     * @param  Condition|null  $also  to what the map is narrowed, on which it hangs which columns are usual
     * @return array<string, list<array{string, string|null, string|null}>> see cells()
     */
    public static function cellsOf(Moment $now, Table $table, array $topics, ?Condition $also = null): array
    {
        if ($table->columns() === []) {
            return self::of($now, $table, $also)->cells($topics);
        }
        $all = Columns::of($now);

        return (new self($now, $all, self::known($table->columns(), $all), []))->cells($topics);
    }

    /**
     * @param  list<TableColumn>  $columns
     * @param  array<string, Column>  $all
     * @return list<TableColumn> those that the map has
     */
    private static function known(array $columns, array $all): array
    {
        return array_values(array_filter($columns, fn (TableColumn $column): bool => isset($all[$column->key])));
    }

    /** @param  Condition|null  $also  to what the map is narrowed */
    public static function of(Moment $now, Table $table, ?Condition $also = null): self
    {
        $all = Columns::of($now);
        $rows = self::rows($now, $table, $also);
        $isFlat = $table->condition() !== null || $also !== null;
        $by = $all[$table->text('by')] ?? null;
        $heads = $by === null ? [] : self::heads($rows, $by);
        $columns = self::known($table->columns() === [] ? self::usual($all, $rows) : $table->columns(), $all);
        $order = [];
        foreach ($table->order() as $key => $isDown) {
            if (isset($all[$key])) {
                $order[] = [$all[$key], $isDown];
            }
        }
        if ($order !== [] && $by === null && ! $isFlat && $table->flag('deep')) {
            $rows = self::sortedLevels($now, $rows, $order);
        } elseif ($order !== []) {
            $rows = self::sorted($rows, $order);
        }

        return new self($now, $all, $columns, $by === null ? [new TableGroup('', $rows)] : self::grouped($rows, $by, $heads));
    }

    /**
     * Of a choice, and of states, all heads are there, also those without rows.
     *
     * @param  list<TableRow>  $rows  as they stand in the map
     * @return list<string>
     */
    private static function heads(array $rows, Column $by): array
    {
        $choices = self::isChosen($by) ? $by->typing->choices ?? [] : [];
        $heads = Heads::inOrder(array_map(fn (TableRow $row): array => array_map(fn (string $head): array => [$head, $by->rankOfHead($row->topic)], $by->groups($row->topic)), $rows), $by->isOfAbove() || self::isChosen($by));

        return [...$choices, ...array_values(array_diff($heads, $choices))];
    }

    /** Whether its heads are there before any row is, in an order of their own. */
    private static function isChosen(Column $by): bool
    {
        return $by->typing?->form === 'choice' || ($by->typing?->form === 'number' && $by->typing->choices !== []);
    }

    /** @return list<TableRow> */
    private static function rows(Moment $now, Table $table, ?Condition $also): array
    {
        $map = $now->map;
        $base = $map->find($table->text('branch'))->id ?? $map->root()->id;
        $condition = $table->condition();
        $rows = $depths = [];
        foreach ($condition !== null || $table->flag('deep') ? $map->branch($base) : $map->children($base) as $id => $topic) {
            $id = (string) $id;
            if ($id === $base || ($condition !== null && ! $condition->holds($now, $id)) || ($also !== null && ! $also->holds($now, $id))) {
                continue;
            }
            $depths[$id] = isset($depths[$topic->parent ?? '']) ? $depths[$topic->parent ?? ''] + 1 : 0;
            $rows[] = new TableRow($id, $condition === null && $also === null ? $depths[$id] : 0);
        }

        return $rows;
    }

    /**
     * Title, what is said of to-dos, and the fields that most rows have.
     *
     * @param  array<string, Column>  $all
     * @param  list<TableRow>  $rows
     * @return list<TableColumn>
     */
    private static function usual(array $all, array $rows): array
    {
        $uses = [];
        foreach ($all as $key => $column) {
            $uses[$key] = count(array_filter(array_slice($rows, 0, 500), fn (TableRow $row): bool => $column->told($row->topic) !== []));
        }
        $fields = array_filter($uses, fn (int $count, string $key): bool => $count > 0 && str_contains($key, ':'), ARRAY_FILTER_USE_BOTH);
        arsort($fields);
        $others = array_values(array_filter(['kind', 'who', 'by', 'progress', 'tags'], fn (string $key): bool => ($uses[$key] ?? 0) > 0));

        return array_map(fn (string $key): TableColumn => new TableColumn($key), [...self::FIRST, ...$others, ...array_slice(array_keys($fields), 0, self::FIRST_FIELDS)]);
    }

    /**
     * @param  list<TableRow>  $rows
     * @param  list<array{Column, bool}>  $order
     * @return list<TableRow>
     */
    private static function sorted(array $rows, array $order): array
    {
        foreach (array_reverse($order) as [$column, $isDown]) {
            $ranks = [];
            foreach ($rows as $row) {
                $ranks[$row->topic] ??= $column->rank($row->topic);
            }
            $rows = array_map(fn (int $at): TableRow => $rows[$at], Ranks::inOrder(array_map(fn (TableRow $row): float|string|null => $ranks[$row->topic], $rows), $isDown));
        }

        return $rows;
    }

    /**
     * Siblings among themselves, each with what is below it.
     *
     * @param  list<TableRow>  $rows  as they stand in the map
     * @param  list<array{Column, bool}>  $order
     * @return list<TableRow>
     */
    private static function sortedLevels(Moment $now, array $rows, array $order): array
    {
        $below = $tops = [];
        foreach ($rows as $row) {
            if ($row->depth === 0) {
                $tops[] = $row;
            } else {
                $below[$now->map->topic($row->topic)->parent ?? ''][] = $row;
            }
        }
        $sorted = [];
        for ($stack = array_reverse(self::sorted($tops, $order)); $stack !== [];) {
            $row = array_pop($stack);
            $sorted[] = $row;
            array_push($stack, ...array_reverse(self::sorted($below[$row->topic] ?? [], $order)));
        }

        return $sorted;
    }

    /**
     * A row of several heads stands under each; what has none stands under the last.
     *
     * @param  list<TableRow>  $rows
     * @param  list<string>  $heads
     * @return list<TableGroup>
     */
    private static function grouped(array $rows, Column $by, array $heads): array
    {
        $below = array_fill_keys($heads, []);
        $rest = [];
        foreach ($rows as $row) {
            $row = new TableRow($row->topic, 0);
            $its = $by->groups($row->topic);
            foreach ($its as $head) {
                $below[$head][] = $row;
            }
            if ($its === []) {
                $rest[] = $row;
            }
        }
        $groups = array_map(fn (string $head): TableGroup => new TableGroup($head, $below[$head]), $heads);

        return $rest === [] && $groups !== [] && ! self::isChosen($by) ? $groups : [...$groups, new TableGroup($groups === [] ? '' : 'None', $rest)];
    }

    /** @return list<string> the topics in the order of the rows, each once */
    public function topics(): array
    {
        $topics = [];
        foreach ($this->groups as $group) {
            foreach ($group->rows as $row) {
                $topics[$row->topic] = $row->topic;
            }
        }

        return array_values($topics);
    }

    /** @return list<string> what stands below each column */
    public function totals(): array
    {
        $topics = $this->topics();

        return array_map(fn (TableColumn $column): string => $column->total?->of($this->now, $this->all[$column->key], $topics) ?? '', $this->columns);
    }

    /**
     * What stands in the cells of topics.
     *
     * @param  list<string>  $topics
     * @return array<string, list<array{string, string|null, string|null}>> by topic, for each column: as people read it; as one would type it, null where it is not typed here; what those below come to where it has nothing itself
     */
    public function cells(array $topics): array
    {
        $cells = [];
        foreach ($topics as $topic) {
            if ($this->now->map->find($topic) !== null) {
                $cells[$topic] = array_map(fn (TableColumn $column): array => self::cell($this->all[$column->key], $topic), $this->columns);
            }
        }

        return $cells;
    }

    /** @return array{string, string|null, string|null} */
    private static function cell(Column $column, string $topic): array
    {
        $typed = $column->typing instanceof CellTyping ? $column->typing->typed($topic) : null;

        $told = mb_substr(implode(', ', $column->inCell($topic)), 0, self::WIDEST);

        return [$told, $typed !== null && mb_strlen($typed) > self::LONGEST ? null : $typed, $told === '' ? $column->below($topic) : null];
    }
}
