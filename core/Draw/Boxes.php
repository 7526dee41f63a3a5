<?php

declare(strict_types=1);

namespace ChalkTree\Draw;

use ChalkTree\Arrange\Slip;

/**
 * What is reckoned with boxes on a board to know what shows in a part of it.
 *
 * @phpstan-type Box array{x: float, y: float, w: float, h: float}
 */
final class Boxes
{
    /**
     * @param  array{x: float, y: float, w: float, h: float, ...}  $a
     * @param  array{x: float, y: float, w: float, h: float, ...}  $b
     * @param  float  $beside  how far from the first they may be
     */
    public static function meet(array $a, array $b, float $beside = 0.0): bool
    {
        return $a['x'] - $beside < $b['x'] + $b['w'] && $b['x'] < $a['x'] + $a['w'] + $beside && $a['y'] - $beside < $b['y'] + $b['h'] && $b['y'] < $a['y'] + $a['h'] + $beside;
    }

    /**
     * @param  array{x: float, y: float, w: float, h: float, ...}  $box  of a slip
     * @return array{x: float, y: float, w: float, h: float, ...} around it and the line along which its subtopics stand
     */
    public static function drawn(Slip $slip, array $box): array
    {
        if ($slip->axis === []) {
            return $box;
        }
        [$x, $y, $w, $h] = $slip->line();

        return self::around($box, ['x' => $box['x'] + $x, 'y' => $box['y'] + $y, 'w' => $w, 'h' => $h]);
    }

    /**
     * @param  array{x: float, y: float, w: float, h: float, ...}  $a
     * @param  array{x: float, y: float, w: float, h: float, ...}  $b
     * @return Box around both
     */
    public static function around(array $a, array $b): array
    {
        [$x, $y] = [min($a['x'], $b['x']), min($a['y'], $b['y'])];

        return ['x' => $x, 'y' => $y, 'w' => max($a['x'] + $a['w'], $b['x'] + $b['w']) - $x, 'h' => max($a['y'] + $a['h'], $b['y'] + $b['h']) - $y];
    }
}
