<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

use ChalkTree\Map\Side;
use ChalkTree\Map\Topic;

/** The root in the middle, its branches to the left and to the right of it. */
final readonly class BothSides implements Arrangement
{
    public function __construct(private Bands $bands)
    {
    }

    public static function name(): string
    {
        return 'both-sides';
    }

    public function growth(Slip $parent, Topic $child): Growth
    {
        if ($parent->level > 0) {
            return $parent->growth;
        }

        return $child->side === Side::Left ? Growth::Left : Growth::Right;
    }

    public function place(Slip $slip, array $children): void
    {
        $this->bands->place($slip, $children);
    }
}
