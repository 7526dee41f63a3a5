<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

use ChalkTree\Map\Side;
use ChalkTree\Map\Topic;

/** The topic that heads the branch in the middle, its subtopics to the left and to the right of it. */
final readonly class BothSides implements Arrangement
{
    public function __construct(private Bands $bands = new Bands)
    {
    }

    public static function name(): string
    {
        return 'both-sides';
    }

    /** Where no sides are kept, the first half of a branch inside a map stands right, the rest left. */
    public function growth(Slip $head, Topic $child, int $index, int $count, ?Place $put = null): Growth
    {
        $side = $child->side ?? ($head->level > 0 && 2 * $index >= $count ? Side::Left : Side::Right);

        return $side === Side::Left ? Growth::Left : Growth::Right;
    }

    public function handsDown(Growth $growth): string
    {
        return $growth === Growth::Left ? Leftward::name() : Rightward::name();
    }

    public function enters(Growth $growth): Growth
    {
        return $growth->isSideways() ? Growth::Down : $growth;
    }

    public function opens(): Growth
    {
        return Growth::Right;
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
        return Siblings::Banded;
    }

    public function phrases(): PhraseWay
    {
        return PhraseWay::Strip;
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
