<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

use ChalkTree\Map\Topic;

/** Subtopics one below the other under their parent, set in, each level a step further. */
final readonly class SteppedList implements Arrangement
{
    use AllTheWayDown;

    /** From the parent's left edge to the children's, and to the stem that runs down beside them. */
    public const STEP = 26;

    public const STEM = 11;

    public static function name(): string
    {
        return 'stepped-list';
    }

    public function growth(Slip $head, Topic $child, int $index, int $count, ?Place $put = null): Growth
    {
        return Growth::Right;
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
        $slip->closeUp();
        $at = $slip->h;
        foreach ($children as $child) {
            $apart = $child->apartY;
            $isFromTop = $child->enters === Growth::Down;
            $child->x = self::STEP + $child->apartX + $child->left;
            $child->y = $at + self::gap($child) + max(0, $apart) + ($isFromTop ? Bands::LANE : 0) + $child->top;
            $at = $child->y + $child->h + $child->bottom + max(0, -$apart);
            self::route($slip, $child, $isFromTop);
            $slip->embrace($child);
        }
        $slip->bottom = max($slip->bottom, $at - $slip->h);
    }

    public static function gap(Slip $child): int
    {
        return max(8, intdiv($child->look->spacing->gap, 2) + 4);
    }

    /** Down along the stem, and across to the box. */
    public static function route(Slip $slip, Slip $child, bool $isFromTop = false): void
    {
        $child->leaves = Growth::Down;
        $child->isCurved = false;
        [$stem, $foot] = [self::STEM - $child->x, $slip->h - $child->y];
        $lane = -$child->top - Bands::LANE / 2;
        $child->route = $isFromTop
            ? [$stem, $foot, $stem, $lane, $child->w / 2, $lane, $child->w / 2, 0.0]
            : [$stem, $foot, $stem, $child->h / 2, 0.0, $child->h / 2];
    }
}
