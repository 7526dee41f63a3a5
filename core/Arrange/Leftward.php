<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

use ChalkTree\Map\Topic;

/** The root at the right, everything growing to the left of it. */
final readonly class Leftward implements Arrangement
{
    use AllTheWayDown;

    public function __construct(private Bands $bands = new Bands)
    {
    }

    public static function name(): string
    {
        return 'leftward';
    }

    public function growth(Slip $head, Topic $child, int $index, int $count, ?Place $put = null): Growth
    {
        return Growth::Left;
    }

    public function enters(Growth $growth): Growth
    {
        return $growth === Growth::Right ? Growth::Down : $growth;
    }

    public function opens(): Growth
    {
        return Growth::Left;
    }

    public function place(Slip $slip, array $children, array $below): void
    {
        $this->bands->place($slip, $children);
    }
}
