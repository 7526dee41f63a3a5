<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

use ChalkTree\Map\Topic;

/**
 * Subtopics are rows, their subtopics the cells; columns line up and grow with what is in them. It places two levels
 * at once; what is in a cell is laid out on its own before.
 */
final readonly class Grid implements Arrangement
{
    /** Between columns, and between rows. */
    private const ACROSS = 18;

    private const DOWN = 12;

    public static function name(): string
    {
        return 'grid';
    }

    public function growth(Slip $head, Topic $child, int $index, int $count, ?Place $put = null): Growth
    {
        return Growth::Right;
    }

    public function handsDown(Growth $growth): string
    {
        return GridRow::name();
    }

    /** What comes from below would run into its own branch, so it comes in from the left. */
    public function enters(Growth $growth): Growth
    {
        return $growth === Growth::Up ? Growth::Right : $growth;
    }

    public function opens(): Growth
    {
        return Growth::Down;
    }

    public function isMirrorable(): bool
    {
        return true;
    }

    public function hasAxis(): bool
    {
        return false;
    }

    public function siblings(): Siblings
    {
        return Siblings::Tabled;
    }

    public function phrases(): PhraseWay
    {
        return PhraseWay::InBox;
    }

    public function levels(): int
    {
        return 2;
    }

    public function place(Slip $slip, array $children, array $below): void
    {
        $slip->closeUp();
        [$columns, $lefts] = $this->columns($children, $below);
        $first = 0.0;
        foreach ($children as $row) {
            $first = max($first, $row->w);
        }
        $at = $slip->h + self::DOWN;
        foreach ($children as $row) {
            $cells = $below[$row->topic->id] ?? [];
            $row->closeUp();
            $head = 0.0;
            foreach ($cells as $cell) {
                $head = max($head, $cell->top);
            }
            $row->x = SteppedList::STEP;
            $row->y = $at + max(0, $row->apartY) + $head;
            $x = $first + self::ACROSS;
            foreach ($cells as $n => $cell) {
                $cell->x = $x + $lefts[$n];
                $cell->y = 0.0;
                $cell->route = [];
                $cell->leaves = Growth::Right;
                $row->embrace($cell);
                $x += $columns[$n] + self::ACROSS;
            }
            $at = $row->y + $row->h + $row->bottom + max(0, -$row->apartY) + self::DOWN;
            SteppedList::route($slip, $row);
            $slip->embrace($row);
        }
        $slip->bottom = max($slip->bottom, $at - self::DOWN - $slip->h);
    }

    /**
     * How wide each column is, and how much of that is to the left of its boxes.
     *
     * @param  list<Slip>  $rows
     * @param  array<string, list<Slip>>  $below
     * @return array{array<int, float>, array<int, float>}
     */
    private function columns(array $rows, array $below): array
    {
        $lefts = $rights = [];
        foreach ($rows as $row) {
            foreach ($below[$row->topic->id] ?? [] as $n => $cell) {
                $lefts[$n] = max($lefts[$n] ?? 0.0, $cell->left);
                $rights[$n] = max($rights[$n] ?? 0.0, $cell->w + $cell->right);
            }
        }

        return [array_map(fn (float $left, float $right): float => $left + $right, $lefts, $rights), $lefts];
    }
}
