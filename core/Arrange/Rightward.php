<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

use ChalkTree\Map\Topic;

/** The root at the left, everything growing to the right of it. */
final readonly class Rightward implements Arrangement
{
    use AllTheWayDown;

    public function __construct(private Bands $bands = new Bands)
    {
    }

    public static function name(): string
    {
        return 'rightward';
    }

    public function growth(Slip $head, Topic $child, int $index, int $count, ?Place $put = null): Growth
    {
        return Growth::Right;
    }

    public function enters(Growth $growth): Growth
    {
        return $growth === Growth::Left ? Growth::Down : $growth;
    }

    public function opens(): Growth
    {
        return Growth::Right;
    }

    public function place(Slip $slip, array $children, array $below): void
    {
        $this->bands->place($slip, $children);
    }
}
