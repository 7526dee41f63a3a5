<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

use ChalkTree\Map\Topic;

/** What the rows of a grid are: their cells are placed by the grid. Nobody chooses it. */
final readonly class GridRow implements Arrangement
{
    use PlacedByHead;

    public static function name(): string
    {
        return 'grid-row';
    }

    public function growth(Slip $head, Topic $child, int $index, int $count, ?Place $put = null): Growth
    {
        return Growth::Right;
    }
}
