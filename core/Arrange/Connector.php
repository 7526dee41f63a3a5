<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

/**
 * The line of chalk from a parent to a child: an outline that leaves the parent's edge thick and meets the child's
 * spine thin. The way it goes is the arrangement's, which keeps it clear of every other box; its curve stays between
 * its two ends.
 */
final class Connector
{
    /** How far the curve leaves level before it turns, as a part of the way across. */
    private const BOW = 0.56;

    /** An SVG path relative to the top left corner of the child's box; empty where it comes from nowhere. */
    public static function path(Slip $child): string
    {
        if ($child->parent === null) {
            return $child->above > 0 ? self::columnLine($child) : '';
        }
        $route = $child->route;
        $uneven = 0.86 + (crc32($child->topic->id) % 29) / 100;
        $thin = $child->look->connector->thin * $uneven / 2;
        $path = '';
        $at = 0;
        if ($route !== [] && $child->isCurved) {
            $path = self::curve($child, $child->look->connector->thick * $uneven / 2, $thin);
            $at = 2;
        }
        for ($last = count($route) - 2; $at < $last; $at += 2) {
            $path .= self::bar($route[$at], $route[$at + 1], $route[$at + 2], $route[$at + 3], $thin, $at > 0 ? $thin : 0.0, $at + 2 < $last ? $thin : 0.0);
        }

        return $path;
    }

    /** The first part of the way, turning from the direction in which it leaves to the same again. */
    private static function curve(Slip $child, float $thick, float $thin): string
    {
        $isSideways = $child->leaves->isSideways();
        $sign = $child->leaves->sign();
        // Along and across the direction in which it leaves.
        [$x0, $y0, $x1, $y1] = $isSideways ? $child->route : [$child->route[1], $child->route[0], $child->route[3], $child->route[2]];
        $bow = ($x1 - $x0) * self::BOW;
        // Where the curve falls steeply its thickness lies across, so the two edges turn one after the other.
        $steep = max(-1.0, min(1.0, ($y1 - $y0) / 40)) * ($thick + $thin) / 2 * $sign;
        $numbers = [
            $x0, $y0 - $thick,
            $x0 + $bow + $steep, $y0 - $thick, $x1 - $bow + $steep, $y1 - $thin, $x1, $y1 - $thin,
            $x1, $y1 + $thin,
            $x1 - $bow - $steep, $y1 + $thin, $x0 + $bow - $steep, $y0 + $thick, $x0, $y0 + $thick,
        ];
        foreach ($numbers as $i => $number) {
            $numbers[$i] = (int) ($number * 10) / 10;
        }
        if ($isSideways) {
            [$a, $b, $c, $d, $e, $f, $g, $h, $i, $j, $k, $l, $m, $n, $o, $p] = $numbers;
        } else {
            [$b, $a, $d, $c, $f, $e, $h, $g, $j, $i, $l, $k, $n, $m, $p, $o] = $numbers;
        }

        return "M{$a} {$b}C{$c} {$d} {$e} {$f} {$g} {$h}L{$i} {$j}C{$k} {$l} {$m} {$n} {$o} {$p}Z";
    }

    /** A straight part along one axis, a little longer where it meets another part at a corner. */
    private static function bar(float $x0, float $y0, float $x1, float $y1, float $thin, float $before, float $after): string
    {
        if ($y0 === $y1) {
            $sign = $x1 < $x0 ? -1 : 1;
            [$a, $b, $c, $d] = [$x0 - $sign * $before, $y0 - $thin, $x1 + $sign * $after, $y1 + $thin];
        } else {
            $sign = $y1 < $y0 ? -1 : 1;
            [$a, $b, $c, $d] = [$x0 - $thin, $y0 - $sign * $before, $x1 + $thin, $y1 + $sign * $after];
        }
        foreach ([&$a, &$b, &$c, &$d] as &$number) {
            $number = (int) ($number * 10) / 10;
        }

        return "M{$a} {$b}H{$c}V{$d}H{$a}Z";
    }

    /** The line that ties a topic in a column to the one before it, along their left edge. */
    private static function columnLine(Slip $slip): string
    {
        $up = (int) ($slip->above * 10) / 10;

        return "M6 0v-{$up}h2.5v{$up}Z";
    }
}
