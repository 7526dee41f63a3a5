<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

use ChalkTree\Edit\Arguments;
use ChalkTree\Edit\Edit;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Edit\MoveTopics;
use ChalkTree\Edit\Place as Among;
use ChalkTree\Edit\Planting;
use ChalkTree\Edit\Recorder;
use ChalkTree\Edit\RemoveTopics;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\Map\Bounds;
use ChalkTree\Map\Ids;
use ChalkTree\Map\TopicMap;

/** Does something with a whole column of a grid, given by one of its cells: what stands at the same place in every row. */
final readonly class GridColumn implements Edit
{
    public const WAYS = ['add', 'left', 'right', 'move', 'remove'];

    private function __construct(private string $cell, private string $way, private ?string $as, private ?int $to)
    {
    }

    public static function name(): string
    {
        return 'grid.column';
    }

    /**
     * "topic", a cell; "do": add a column after it, move it left or right, or "move" it to the
     * place "to" among all, or remove it; "as" the id of the new cell in its row. Cells stay in their columns: where a row
     * ends before, it gets empty ones.
     */
    public static function read(Arguments $arguments): self
    {
        return new self($arguments->id('topic'), $arguments->oneOf('do', self::WAYS), $arguments->has('as') ? $arguments->id('as') : null, $arguments->has('to') ? $arguments->int('to', 0, Bounds::MOST_TOPICS) : null);
    }

    /** Whether what is right below a topic are the rows of a grid. */
    public static function isGrid(TopicMap $map, string $topic): bool
    {
        $own = $map->rowsOf(BranchArrangement::class)[$topic] ?? null;
        $name = $own === null || $own->text('name') === '' ? null : $own->text('name');

        return ($name ?? ($map->find($topic)?->parent === null ? $map->sheet()->arrangement : null)) === Grid::name();
    }

    public function apply(TopicMap $map, Recorder $recorder): void
    {
        $row = $map->topic($this->cell)->parent;
        $head = $row === null ? null : $map->topic($row)->parent;
        if ($row === null || $head === null || ! self::isGrid($map, $head)) {
            throw new InvalidEdit('This topic is no cell of a grid.', 'topic');
        }
        $at = (int) array_search($this->cell, self::cells($map, $row), true);
        $rows = array_map(fn (string $each): array => self::cells($map, $each), array_map(strval(...), array_keys($map->children($head))));
        $last = max([0, ...array_map(count(...), $rows)]) - 1;
        $to = match ($this->way) {
            'left' => max(0, $at - 1),
            'right' => min($last, $at + 1),
            'move' => min($last, $this->to ?? $at),
            default => $at,
        };
        foreach (array_combine(array_map(strval(...), array_keys($map->children($head))), $rows) as $each => $cells) {
            match (true) {
                $this->way === 'add' => isset($cells[$at]) ? $this->plant($map, $recorder, ['after' => $cells[$at]], (string) $each === $row ? $this->as : null) : null,
                $this->way === 'remove' => isset($cells[$at]) ? RemoveTopics::read(new Arguments(['topics' => [$cells[$at]]]))->apply($map, $recorder) : null,
                $to !== $at => $this->move($map, $recorder, (string) $each, $cells, $at, $to),
                default => null,
            };
        }
    }

    public function sentence(TopicMap $map): string
    {
        return match ($this->way) {
            'add' => 'Added a column',
            'remove' => 'Removed a column',
            'move' => 'Moved a column',
            default => "Moved a column to the {$this->way}",
        };
    }

    /** @return list<string> */
    private static function cells(TopicMap $map, string $row): array
    {
        return array_map(strval(...), array_keys($map->children($row)));
    }

    /**
     * Moves one cell of a row, and keeps every other in its column.
     *
     * @param  list<string>  $cells
     */
    private function move(TopicMap $map, Recorder $recorder, string $row, array $cells, int $at, int $to): void
    {
        $order = array_pad($cells, max($at, $to) + 1, null);
        array_splice($order, $to, 0, array_splice($order, $at, 1) ?: [null]);
        while ($order !== [] && end($order) === null) {
            array_pop($order);
        }
        $before = null;
        foreach ($order as $cell) {
            $place = $before === null ? ['parent' => $row, 'first' => true] : ['after' => $before];
            if ($cell === null) {
                $this->plant($map, $recorder, $place, $cell = Ids::next());
            } elseif ($cell === ($cells[$at] ?? null)) {
                MoveTopics::read(new Arguments(['topics' => [$cell]] + $place))->apply($map, $recorder);
            }
            $before = $cell;
        }
    }

    /** @param  array<string, mixed>  $place */
    private function plant(TopicMap $map, Recorder $recorder, array $place, ?string $as): void
    {
        Planting::plant($map, $recorder, Among::read(new Arguments($place)), [TopicDraft::read(new Arguments(['id' => $as ?? Ids::next(), 'title' => '']))]);
    }
}
