<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

use ChalkTree\Look\LevelLook;

/**
 * The line of chalk from a parent to a child: an outline that leaves the parent's edge thick and meets the child's
 * spine thin. It stays between the two edges and between the two middles, where no other box can be.
 */
final class Connector
{
    /** How far the curve leaves level before it turns, as a part of the way across. */
    private const BOW = 0.56;

    /** An SVG path relative to the top left corner of the child's box; empty where it comes from nowhere. */
    public static function path(Slip $child, LevelLook $look): string
    {
        if ($child->parent === null) {
            return $child->above > 0 ? self::columnLine($child) : '';
        }
        $right = $child->growth === Growth::Right;
        [$x0, $y0] = [$child->fromX, $child->fromY];
        [$x1, $y1] = [$right ? 0.0 : $child->w, $child->h / 2];
        $uneven = 0.86 + (crc32($child->topic->id) % 29) / 100;
        $thick = $look->thick * $uneven / 2;
        $thin = $look->thin * $uneven / 2;
        $bow = ($x1 - $x0) * self::BOW;
        // Where the curve falls steeply its thickness lies across, so the two edges turn one after the other.
        $steep = max(-1.0, min(1.0, ($y1 - $y0) / 40)) * ($thick + $thin) / 2 * ($right ? 1 : -1);
        $numbers = [
            $x0, $y0 - $thick,
            $x0 + $bow + $steep, $y0 - $thick, $x1 - $bow + $steep, $y1 - $thin, $x1, $y1 - $thin,
            $x1, $y1 + $thin,
            $x1 - $bow - $steep, $y1 + $thin, $x0 + $bow - $steep, $y0 + $thick, $x0, $y0 + $thick,
        ];
        foreach ($numbers as $i => $number) {
            $numbers[$i] = (int) ($number * 10) / 10;
        }
        [$a, $b, $c, $d, $e, $f, $g, $h, $i, $j, $k, $l, $m, $n, $o, $p] = $numbers;

        return "M{$a} {$b}C{$c} {$d} {$e} {$f} {$g} {$h}L{$i} {$j}C{$k} {$l} {$m} {$n} {$o} {$p}Z";
    }

    /** The line that ties a topic in a column to the one before it, along their left edge. */
    private static function columnLine(Slip $slip): string
    {
        $up = (int) ($slip->above * 10) / 10;

        return "M6 0v-{$up}h2.5v{$up}Z";
    }
}
