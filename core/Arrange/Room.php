<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

/**
 * Finds room on free paper.
 *
 * @phpstan-type Box array{x: float, y: float, w: float, h: float, ...}
 */
final class Room
{
    /** Between a new topic and what stands there already. */
    private const APART = 14;

    /** Directions in which room is looked for, how far, and how much farther each time. */
    private const DIRECTIONS = 12;

    private const RINGS = 24;

    private const STEP = 44;

    /**
     * By how much a branch has to be moved so that it stands clear: not at all, if it does; else to the first place around
     * its parent, beginning where it stands and going clockwise, then farther out. Where there is none, below everything.
     *
     * @param  Box  $parent
     * @param  Box  $box  its head
     * @param  non-empty-list<Box>  $branch  all of it
     * @param  list<Box>  $taken  what else is there
     * @return array{float, float} x and y
     */
    public static function near(array $parent, array $box, array $branch, array $taken): array
    {
        if (self::isClear($branch, $taken, 0.0, 0.0)) {
            return [0.0, 0.0];
        }
        [$px, $py] = [$parent['x'] + $parent['w'] / 2, $parent['y'] + $parent['h'] / 2];
        [$x, $y] = [$box['x'] + $box['w'] / 2, $box['y'] + $box['h'] / 2];
        $begin = atan2($y - $py, $x - $px);
        $far = max($parent['h'], hypot($x - $px, $y - $py));
        for ($ring = 0; $ring < self::RINGS; $ring++) {
            for ($n = 0; $n < self::DIRECTIONS; $n++) {
                $angle = $begin + 2 * M_PI * $n / self::DIRECTIONS;
                $by = [round($px + cos($angle) * ($far + self::STEP * $ring) - $x), round($py + sin($angle) * ($far + self::STEP * $ring) - $y)];
                if (self::isClear($branch, $taken, ...$by)) {
                    return $by;
                }
            }
        }

        $foot = max([0.0, ...array_map(fn (array $other): float => $other['y'] + $other['h'], $taken)]);

        return [0.0, round($foot + self::APART - min(array_map(fn (array $each): float => $each['y'], $branch)))];
    }

    /**
     * @param  list<Box>  $branch
     * @param  list<Box>  $taken
     */
    private static function isClear(array $branch, array $taken, float $dx, float $dy): bool
    {
        foreach ($branch as ['x' => $x, 'y' => $y, 'w' => $w, 'h' => $h]) {
            [$left, $top, $right, $bottom] = [$x + $dx - self::APART, $y + $dy - self::APART, $x + $dx + $w + self::APART, $y + $dy + $h + self::APART];
            foreach ($taken as $other) {
                if ($left < $other['x'] + $other['w'] && $other['x'] < $right && $top < $other['y'] + $other['h'] && $other['y'] < $bottom) {
                    return false;
                }
            }
        }

        return true;
    }
}
