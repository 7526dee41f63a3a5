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
use ChalkTree\Map\Ids;
use ChalkTree\Map\TopicMap;

/** Does something with a whole column of a grid, given by one of its cells: what stands at the same place in every row. */
final readonly class GridColumn implements Edit
{
    public const WAYS = ['add', 'left', 'right', 'remove'];

    private function __construct(private string $cell, private string $way, private ?string $as)
    {
    }

    public static function name(): string
    {
        return 'grid.column';
    }

    /** "topic", a cell; "do": add a column after it, move it left or right, or remove it; "as" the id of the new cell in its row. */
    public static function read(Arguments $arguments): self
    {
        return new self($arguments->id('topic'), $arguments->oneOf('do', self::WAYS), $arguments->has('as') ? $arguments->id('as') : null);
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
        foreach (array_map(strval(...), array_keys($map->children($head))) as $each) {
            $cells = self::cells($map, $each);
            if (isset($cells[$at])) {
                $this->change($map, $recorder, $cells, $at, $each === $row ? $this->as : null);
            }
        }
    }

    public function sentence(TopicMap $map): string
    {
        return match ($this->way) {
            'add' => 'Added a column',
            'remove' => 'Removed a column',
            default => "Moved a column to the {$this->way}",
        };
    }

    /** @return list<string> */
    private static function cells(TopicMap $map, string $row): array
    {
        return array_map(strval(...), array_keys($map->children($row)));
    }

    /**
     * @param  list<string>  $cells  of one row
     * @param  string|null  $as  the id of the new one
     */
    private function change(TopicMap $map, Recorder $recorder, array $cells, int $at, ?string $as): void
    {
        $cell = $cells[$at];
        $beside = $cells[$this->way === 'left' ? $at - 1 : $at + 1] ?? null;
        match ($this->way) {
            'add' => Planting::plant($map, $recorder, Among::read(new Arguments(['after' => $cell])), [TopicDraft::read(new Arguments(['id' => $as ?? Ids::next(), 'title' => '']))]),
            'remove' => RemoveTopics::read(new Arguments(['topics' => [$cell]]))->apply($map, $recorder),
            'left' => $beside === null ? null : MoveTopics::read(new Arguments(['topics' => [$cell], 'before' => $beside]))->apply($map, $recorder),
            default => $beside === null ? null : MoveTopics::read(new Arguments(['topics' => [$cell], 'after' => $beside]))->apply($map, $recorder),
        };
    }
}
