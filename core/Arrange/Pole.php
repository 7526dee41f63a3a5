<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

/** The pole on which a topic hangs that stands along a line: from the line up or down, and across to its box. */
final class Pole
{
    /** From it to what hangs on it. */
    public const ASIDE = 12.0;

    /** Between two of them, at least, where nothing says how far. */
    public const STEP = 34.0;

    /**
     * Gives a child its place and the way of its connector, and the slip the room that this takes.
     *
     * @param  float  $at  where it stands along the line, and $line where that runs, both from the corner of the slip
     * @param  int  $side  0 above the line, 1 below it
     * @param  float  $near  how far from the line what hangs on it begins
     * @param  float|null  $from  where along the line the connector begins; null for right at the pole
     */
    public static function hang(Slip $slip, Slip $child, float $at, float $line, int $side, float $near, ?float $from): void
    {
        $lane = self::lane($child);
        $child->x = $at + self::ASIDE + $child->left;
        $child->y = $side === 0 ? $line - $near - $child->bottom - $child->h : $line + $near + $lane + $child->top;
        [$x, $y] = [$at - $child->x, $line - $child->y];
        $child->leaves = Growth::Right;
        $child->isCurved = false;
        $child->isWinding = true;
        $over = -$child->top - Bands::LANE / 2;
        $child->route = [
            ...($from === null ? [] : [$from - $child->x, $y]),
            ...($child->enters === Growth::Down ? [$x, $y, $x, $over, $child->w / 2, $over, $child->w / 2, 0.0] : [$x, $y, $x, $child->h / 2, 0.0, $child->h / 2]),
        ];
        $slip->embrace($child);
        // The lane of what stands highest has to be in the extent too.
        $slip->top = max($slip->top, $lane + $child->top - $child->y);
    }

    /** What it takes over its branch where it is entered from above. */
    public static function lane(Slip $child): float
    {
        return $child->enters === Growth::Down ? Bands::LANE : 0.0;
    }
}
