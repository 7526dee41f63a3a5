<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

/**
 * The line of chalk from a parent to a child: an outline that leaves the parent's edge thick and meets the child's
 * spine thin; or a line of one thickness where it is dashed. The way it goes is the arrangement's, which keeps it clear of every other box; its curve stays between
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
        $look = $child->look->connector;
        $route = $child->route;
        if ($child->brace !== null) {
            return self::brace($child, $child->brace);
        }
        if ($route === [] || $look->form === 'none') {
            return '';
        }
        if ($look->dash !== 'solid') {
            return self::middle($child);
        }
        $uneven = 0.86 + (crc32($child->topic->id) % 29) / 100;
        $thin = $look->thin * $uneven / 2;
        $path = '';
        $at = 0;
        if ($child->isCurved || $child->isDirect) {
            $thick = $look->thick * $uneven / 2;
            $path = ($child->gap[0] ?? null) === 0 ? self::withGap($child, $route[0], $route[1], $route[2], $route[3], $thick, $thin) : match ($child->isDirect ? 'straight' : $look->form) {
                'corner' => self::corner($child, $thick, $thin),
                'straight' => self::straight($child, $thick, $thin),
                default => self::curve($child, $thick, $thin),
            };
            $at = 2;
        }
        for ($last = count($route) - 2; $at < $last; $at += 2) {
            [$x0, $y0, $x1, $y1] = array_slice($route, $at, 4);
            if ($child->gap !== null && 2 * $child->gap[0] === $at) {
                $path .= self::withGap($child, $x0, $y0, $x1, $y1, $thin, $thin);

                continue;
            }
            $path .= $x0 === $x1 || $y0 === $y1
                ? self::bar($child, $x0, $y0, $x1, $y1, $thin, $at > 0 ? $thin : 0.0, $at + 2 < $last ? $thin : 0.0)
                : self::slant($child, $x0, $y0, $x1, $y1, $thin, $thin);
        }

        return $path;
    }

    /**
     * A brace with the way from its tip, to be stroked.
     *
     * @param  array{float, float, float, float}  $ends
     */
    private static function brace(Slip $child, array $ends): string
    {
        [$x0, $y0, $x1, $y1] = $ends;
        $grows = $child->leaves;
        $deep = BraceStand::DEEP * $grows->sign();
        // Along the brace, and out to its tip.
        $at = $grows->isSideways()
            ? fn (float $along, float $out): string => self::short($x0 + $out).' '.self::short($y0 + $along)
            : fn (float $along, float $out): string => self::short($x0 + $along).' '.self::short($y0 + $out);
        $long = $grows->isSideways() ? $y1 - $y0 : $x1 - $x0;
        [$half, $round] = [$deep / 2, min(10.0, $long / 4)];
        $path = 'M'.$at(0.0, 0.0).'Q'.$at(0.0, $half).' '.$at($round, $half).'L'.$at($long / 2 - $round, $half).'Q'.$at($long / 2, $half).' '.$at($long / 2, $deep)
            .'Q'.$at($long / 2, $half).' '.$at($long / 2 + $round, $half).'L'.$at($long - $round, $half).'Q'.$at($long, $half).' '.$at($long, 0.0);
        foreach (array_chunk(array_map(self::short(...), $child->route), 2) as $n => [$x, $y]) {
            $path .= ($n === 0 ? 'M' : 'L')."{$x} {$y}";
        }

        return $path;
    }

    /** A straight piece that is not drawn where the phrase stands. */
    private static function withGap(Slip $child, float $x0, float $y0, float $x1, float $y1, float $thick, float $thin): string
    {
        if ($child->gap === null) {
            return '';
        }
        [, $ax, $ay, $bx, $by] = $child->gap;
        $length = max(0.01, hypot($x1 - $x0, $y1 - $y0));
        $at = fn (float $x, float $y): float => $thick + ($thin - $thick) * min(1.0, hypot($x - $x0, $y - $y0) / $length);

        return self::slant($child, $x0, $y0, $ax, $ay, $thick, $at($ax, $ay)).self::slant($child, $bx, $by, $x1, $y1, $at($bx, $by), $thin);
    }

    /** The middle of its line, to be stroked. */
    private static function middle(Slip $child): string
    {
        $points = array_map(self::short(...), $child->route);
        [$x0, $y0, $x1, $y1] = $points;
        $path = "M{$x0} {$y0}";
        $form = $child->isDirect ? 'straight' : $child->look->connector->form;
        $gap = array_map(self::short(...), array_slice($child->gap ?? [0, 0.0, 0.0, 0.0, 0.0], 1));
        if (($child->gap[0] ?? null) === 0) {
            $path .= "L{$gap[0]} {$gap[1]}M{$gap[2]} {$gap[3]}L{$x1} {$y1}";
        } elseif (! $child->isCurved || $form === 'straight') {
            $path .= "L{$x1} {$y1}";
        } elseif ($child->leaves->isSideways()) {
            [$turn, $near, $far] = [self::short(($x0 + $x1) / 2), self::short($x0 + ($x1 - $x0) * self::BOW), self::short($x1 - ($x1 - $x0) * self::BOW)];
            $path .= $form === 'corner' ? "H{$turn}V{$y1}H{$x1}" : "C{$near} {$y0} {$far} {$y1} {$x1} {$y1}";
        } else {
            [$turn, $near, $far] = [self::short(($y0 + $y1) / 2), self::short($y0 + ($y1 - $y0) * self::BOW), self::short($y1 - ($y1 - $y0) * self::BOW)];
            $path .= $form === 'corner' ? "V{$turn}H{$x1}V{$y1}" : "C{$x0} {$near} {$x1} {$far} {$x1} {$y1}";
        }
        for ($i = 4; $i < count($points); $i += 2) {
            $path .= $child->gap !== null && 2 * $child->gap[0] + 2 === $i ? "L{$gap[0]} {$gap[1]}M{$gap[2]} {$gap[3]}" : '';
            $path .= "L{$points[$i]} {$points[$i + 1]}";
        }

        return $path;
    }

    /** The first part of the way with right angles, half way across. */
    private static function corner(Slip $child, float $thick, float $thin): string
    {
        [$x0, $y0, $x1, $y1] = $child->route;
        [$mx, $my] = [($x0 + $x1) / 2, ($y0 + $y1) / 2];
        if ($child->leaves->isSideways()) {
            return self::bar($child, $x0, $y0, $mx, $y0, $thick, 0.0, $thin).($y0 === $y1 ? '' : self::bar($child, $mx, $y0, $mx, $y1, $thin, $thick, $thin)).self::bar($child, $mx, $y1, $x1, $y1, $thin, 0.0, 0.0);
        }

        return self::bar($child, $x0, $y0, $x0, $my, $thick, 0.0, $thin).($x0 === $x1 ? '' : self::bar($child, $x0, $my, $x1, $my, $thin, $thick, $thin)).self::bar($child, $x1, $my, $x1, $y1, $thin, 0.0, 0.0);
    }

    /** The first part of the way without a turn. */
    private static function straight(Slip $child, float $thick, float $thin): string
    {
        [$x0, $y0, $x1, $y1] = $child->route;

        return self::slant($child, $x0, $y0, $x1, $y1, $thick, $thin);
    }

    /** Whether all pieces of its way go round clockwise, as its curve does: where two overlap that went round against each other, there would be a hole. */
    private static function goesClockwise(Slip $child): bool
    {
        return $child->leaves === Growth::Right || $child->leaves === Growth::Up;
    }

    private static function slant(Slip $child, float $x0, float $y0, float $x1, float $y1, float $thick, float $thin): string
    {
        $length = max(1.0, hypot($x1 - $x0, $y1 - $y0));
        [$nx, $ny] = [-($y1 - $y0) / $length, ($x1 - $x0) / $length];
        $points = [[$x0 + $nx * $thick, $y0 + $ny * $thick], [$x1 + $nx * $thin, $y1 + $ny * $thin], [$x1 - $nx * $thin, $y1 - $ny * $thin], [$x0 - $nx * $thick, $y0 - $ny * $thick]];
        $points = self::goesClockwise($child) ? array_reverse($points) : $points;

        return 'M'.implode('L', array_map(fn (array $point): string => self::short($point[0]).' '.self::short($point[1]), $points)).'Z';
    }

    private static function short(float $number): float
    {
        return (int) ($number * 10) / 10;
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
    private static function bar(Slip $child, float $x0, float $y0, float $x1, float $y1, float $thin, float $before, float $after): string
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

        if ((($c > $a) === ($d > $b)) !== self::goesClockwise($child)) {
            [$b, $d] = [$d, $b];
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
