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
        $heights = [Growth::Left->value => -$look->gap, Growth::Right->value => -$look->gap];
        foreach ($children as $child) {
            $heights[$child->growth->value] += $child->band + $look->gap;
        }
        $tops = [];
        foreach ($heights as $growth => $height) {
            $tops[$growth] = ($slip->h - $height) / 2;
            $slip->band = max($slip->band, $height);
        }
        foreach ($children as $child) {
            $growth = $child->growth->value;
            $child->y = $tops[$growth] + ($child->band - $child->h) / 2;
            $child->x = $child->growth === Growth::Right ? $slip->w + $look->reach : -$look->reach - $child->w;
            $tops[$growth] += $child->band + $look->gap;
            $slip->leftReach = max($slip->leftReach, $child->leftReach - $child->x);
            $slip->rightReach = max($slip->rightReach, $child->rightReach + $child->x);
            $child->fromX = $child->growth === Growth::Right ? -$look->reach : $child->w + $look->reach;
            $child->fromY = $slip->h / 2 - $child->y;
        }
    }
}
