<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

use ChalkTree\Look\Looks;

/**
 * Lays children out beside their parent, one above the other, each with a band of height to itself that nothing else
 * enters. Nothing can overlap, a change inside a band moves only what stands in bands beside it, and it is linear. A
 * branch held apart by hand has that much more band, or stands that much farther out.
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
                $right += $child->band + abs($child->topic->apartY) + $gap;
            } else {
                $left += $child->band + abs($child->topic->apartY) + $gap;
            }
        }
        $slip->band = max($slip->h, $left, $right);
        $left = ($slip->h - $left) / 2;
        $right = ($slip->h - $right) / 2;
        foreach ($children as $child) {
            $band = $child->band;
            $apart = $child->topic->apartY;
            $before = $apart > 0 ? $apart : 0;
            $reach = $look->reach + $child->topic->apartX;
            if ($child->growth === Growth::Right) {
                $child->x = $slip->w + $reach;
                $child->y = $right + $before + ($band - $child->h) / 2;
                $child->fromX = -$reach;
                $right += $band + abs($apart) + $gap;
            } else {
                $child->x = -$reach - $child->w;
                $child->y = $left + $before + ($band - $child->h) / 2;
                $child->fromX = $child->w + $reach;
                $left += $band + abs($apart) + $gap;
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
