<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

use ChalkTree\Map\Topic;

/** Every level below the one before it, siblings side by side: a chart of who belongs to whom. */
final readonly class TopDown implements Arrangement
{
    use AllTheWayDown;

    public function __construct(private Bands $bands = new Bands)
    {
    }

    public static function name(): string
    {
        return 'top-down';
    }

    public function growth(Slip $head, Topic $child, int $index, int $count, ?Place $put = null): Growth
    {
        return Growth::Down;
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

    public function place(Slip $slip, array $children, array $below): void
    {
        $this->bands->place($slip, $children);
    }
}
