<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

use ChalkTree\Map\Topic;

/** Every level above the one before it, siblings side by side: a tree that grows. */
final readonly class BottomUp implements Arrangement
{
    use AllTheWayDown;

    public function __construct(private Bands $bands = new Bands)
    {
    }

    public static function name(): string
    {
        return 'bottom-up';
    }

    public function growth(Slip $head, Topic $child, int $index, int $count, ?Place $put = null): Growth
    {
        return Growth::Up;
    }

    /** What comes from above would run into its own branch, so it comes in from the left. */
    public function enters(Growth $growth): Growth
    {
        return $growth === Growth::Down ? Growth::Right : $growth;
    }

    public function opens(): Growth
    {
        return Growth::Up;
    }

    public function place(Slip $slip, array $children, array $below): void
    {
        $this->bands->place($slip, $children);
    }
}
