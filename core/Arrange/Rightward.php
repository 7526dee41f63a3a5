<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

use ChalkTree\Map\Topic;

/** The root at the left, everything growing to the right of it. */
final readonly class Rightward implements Arrangement
{
    public function __construct(private Bands $bands)
    {
    }

    public static function name(): string
    {
        return 'rightward';
    }

    public function growth(Slip $parent, Topic $child): Growth
    {
        return Growth::Right;
    }

    public function place(Slip $slip, array $children): void
    {
        $this->bands->place($slip, $children);
    }
}
