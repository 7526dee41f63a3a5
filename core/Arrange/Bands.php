<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

use ChalkTree\Look\Looks;

/**
 * Lays children out beside their parent, one above the other, each with a band of height to itself that nothing else
 * enters. Nothing can overlap, a change inside a band moves only what stands in bands beside it, and it is linear.
 */
final readonly class Bands
{
    /** Room beside a folded slip for its tally marks. */
    public const TALLY = 40;

    public function __construct(private Looks $looks)
    {
    }

    /** @param  list<Slip>  $children */
    public function place(Slip $slip, array $children): void
    {
        $slip->band = $slip->h;
        $slip->leftReach = 0.0;
        $slip->rightReach = $slip->w;
        if ($slip->hidden > 0) {
            $slip->growth === Growth::Left ? $slip->leftReach = self::TALLY : $slip->rightReach += self::TALLY;
        }
        if ($children === []) {
            return;
        }
        $look = $this->looks->level($slip->level + 1);
        $gap = $look->gap;
        $left = $right = -$gap;
        foreach ($children as $child) {
            if ($child->growth === Growth::Right) {
                $right += $child->band + $gap;
            } else {
                $left += $child->band + $gap;
            }
        }
        $slip->band = max($slip->h, $left, $right);
        $left = ($slip->h - $left) / 2;
        $right = ($slip->h - $right) / 2;
        foreach ($children as $child) {
            $band = $child->band;
            if ($child->growth === Growth::Right) {
                $child->x = $slip->w + $look->reach;
                $child->y = $right + ($band - $child->h) / 2;
                $child->fromX = -$look->reach;
                $right += $band + $gap;
            } else {
                $child->x = -$look->reach - $child->w;
                $child->y = $left + ($band - $child->h) / 2;
                $child->fromX = $child->w + $look->reach;
                $left += $band + $gap;
            }
            $child->fromY = $slip->h / 2 - $child->y;
            if ($child->leftReach - $child->x > $slip->leftReach) {
                $slip->leftReach = $child->leftReach - $child->x;
            }
            if ($child->rightReach + $child->x > $slip->rightReach) {
                $slip->rightReach = $child->rightReach + $child->x;
            }
        }
    }
}
