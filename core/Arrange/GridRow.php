<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

use ChalkTree\Map\Topic;

/** What the rows of a grid are: their cells are placed by the grid. Nobody chooses it. */
final readonly class GridRow implements Arrangement
{
    public static function name(): string
    {
        return 'grid-row';
    }

    public function growth(Slip $head, Topic $child, int $index, int $count): Growth
    {
        return Growth::Right;
    }

    public function handsDown(Growth $growth): string
    {
        return SteppedList::name();
    }

    public function enters(Growth $growth): Growth
    {
        return $growth;
    }

    public function opens(): Growth
    {
        return Growth::Right;
    }

    public function hasAxis(): bool
    {
        return false;
    }

    public function levels(): int
    {
        return 1;
    }

    public function place(Slip $slip, array $children, array $below): void
    {
        $slip->closeUp();
    }
}
