<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

use ChalkTree\Map\Topic;

/** The root at the right, everything growing to the left of it. */
final readonly class Leftward implements Arrangement
{
    public function __construct(private Bands $bands = new Bands)
    {
    }

    public static function name(): string
    {
        return 'leftward';
    }

    public function growth(Slip $head, Topic $child, int $index, int $count): Growth
    {
        return Growth::Left;
    }

    public function handsDown(Growth $growth): string
    {
        return 'leftward';
    }

    public function enters(Growth $growth): Growth
    {
        return $growth === Growth::Right ? Growth::Down : $growth;
    }

    public function opens(): Growth
    {
        return Growth::Left;
    }

    public function levels(): int
    {
        return 1;
    }

    public function place(Slip $slip, array $children, array $below): void
    {
        $this->bands->place($slip, $children);
    }
}
