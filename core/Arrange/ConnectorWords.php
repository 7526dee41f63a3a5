<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

use ChalkTree\Text\Advances;
use ChalkTree\Text\Line;
use ChalkTree\Text\Wrapper;

/**
 * The phrase on the connector that leads to a slip: how large it is, what room it needs, and where it stands. The
 * connector is not drawn where its phrase is.
 */
final class ConnectorWords
{
    /** Of the topic's type, within bounds. */
    private const PART = 0.9;

    private const SIZES = [13.0, 17.0];

    public const LINE = 1.3;

    /** A line is so many times its type size wide. */
    private const WIDEST = 11.0;

    /** Around the words within their gap, and what is seen of the connector at either side. */
    private const PAD = 4.0;

    private const SEEN = 9.0;

    /** Where along a straight connector, the best first. */
    private const ALONG = [0.5, 0.42, 0.58, 0.34, 0.66, 0.26, 0.74];

    private const AROUND = 3.0;

    /** Farther from the middle of the connector than this a leader leads there; and how far away room is looked for. */
    private const LED = 30.0;

    private const FARTHEST = 420.0;

    private static ?Wrapper $wrapper = null;

    public static function size(Slip $slip): float
    {
        return max(self::SIZES[0], min(self::SIZES[1], round($slip->look->type->size * self::PART)));
    }

    /** @return non-empty-list<Line> */
    public static function lines(Slip $slip): array
    {
        self::$wrapper ??= new Wrapper(new Advances);
        $size = self::size($slip);

        return self::$wrapper->wrapPlain($slip->phrase, $size, $size * self::WIDEST, $slip->look->type->face->cut());
    }

    /** Makes room for it beyond the edge by which the connector comes in. To be called once the branch has its extent. */
    public static function makeRoom(Slip $slip): void
    {
        if (! self::isOnStrip($slip)) {
            return;
        }
        [$w, $h] = self::extent($slip);
        $enters = $slip->enters;
        if ($enters->isSideways()) {
            $strip = $w + 2 * self::SEEN;
            $enters === Growth::Right ? $slip->left += $strip : $slip->right += $strip;
            $beside = max(0.0, ceil(($h - $slip->h) / 2));
            [$slip->top, $slip->bottom] = [max($slip->top, $beside), max($slip->bottom, $beside)];

            return;
        }
        $strip = $h + 2 * self::SEEN;
        $enters === Growth::Down ? $slip->top += $strip : $slip->bottom += $strip;
        $beside = max(0.0, ceil(($w - $slip->w) / 2));
        [$slip->left, $slip->right] = [max($slip->left, $beside), max($slip->right, $beside)];
    }

    /** Stands it in the room that was made for it. To be called once the slip has its place and its connector a way. */
    public static function stand(Slip $slip): void
    {
        $slip->words = $slip->gap = null;
        $last = count($slip->route) - 4;
        if (! self::isOnStrip($slip) || $last < 0) {
            return;
        }
        [$w, $h] = self::extent($slip);
        [$x1, $y1] = [$slip->route[$last + 2], $slip->route[$last + 3]];
        [$x, $y] = match ($slip->enters) {
            Growth::Right => [-$slip->left + self::SEEN + $w / 2, $y1],
            Growth::Left => [$slip->w + $slip->right - self::SEEN - $w / 2, $y1],
            Growth::Down => [$x1, -$slip->top + self::SEEN + $h / 2],
            Growth::Up => [$x1, $slip->h + $slip->bottom - self::SEEN - $h / 2],
        };
        $slip->words = [$x - $w / 2, $y - $h / 2, $w, $h];
        // Along the way, so that it begins on the side of the parent.
        $sign = $slip->enters->sign();
        $slip->gap = $slip->enters->isSideways()
            ? [intdiv($last, 2), $x - $sign * $w / 2, $y1, $x + $sign * $w / 2, $y1]
            : [intdiv($last, 2), $x1, $y - $sign * $h / 2, $x1, $y + $sign * $h / 2];
    }

    /**
     * Stands the phrases on straight connectors from one slip: each where it covers no box, no other phrase and no other
     * connector, else beside its own; where everything is full in its middle.
     *
     * @param  list<Slip>  $children  with their places and ways
     */
    public static function standAlong(Slip $slip, array $children): void
    {
        $saying = [];
        foreach ($children as $child) {
            $child->words = $child->gap = null;
            if ($child->phrase !== '' && $child->given->phrase === PhraseWay::Along && count($child->route) >= 4) {
                $saying[] = $child;
            }
        }
        if ($saying === []) {
            return;
        }
        $taken = [[0.0, 0.0, $slip->w, $slip->h]];
        $lines = [];
        foreach ($children as $n => $child) {
            $taken[] = [$child->x, $child->y, $child->x + $child->w, $child->y + $child->h];
            for ($i = 0; $i < count($child->route) - 2; $i += 2) {
                $lines[] = [$n, $child->x + $child->route[$i], $child->y + $child->route[$i + 1], $child->x + $child->route[$i + 2], $child->y + $child->route[$i + 3]];
            }
        }
        foreach ($children as $n => $child) {
            if (in_array($child, $saying, true)) {
                $taken[] = $its = self::standOne($child, $n, $taken, $lines);
                $slip->reachTo($its[0], $its[1], $its[2] - $its[0], $its[3] - $its[1]);
            }
        }
    }

    /**
     * @param  list<array{float, float, float, float}>  $taken  left, top, right, bottom, from the parent's corner
     * @param  list<array{int, float, float, float, float}>  $lines  with the numbers of the slips that they lead to
     * @return array{float, float, float, float} what it takes itself
     */
    private static function standOne(Slip $slip, int $number, array $taken, array $lines): array
    {
        [$w, $h] = self::extent($slip);
        foreach ([0.0, 4.0, 14.0, 26.0] as $away) {
            foreach (self::ALONG as $part) {
                [$i, $x, $y, $dx, $dy] = self::at($slip->route, $part);
                [$x, $y] = [$x + $slip->x, $y + $slip->y];
                if ($away === 0.0) {
                    $half = self::half($w, $h, $dx, $dy);
                    if ($half + self::SEEN <= self::room($slip->route, $i, $x - $slip->x, $y - $slip->y) && self::isFree($x, $y, $w, $h, $taken, $lines, $number)) {
                        return self::put($slip, $w, $h, $x, $y, [$i, $x - $dx * $half, $y - $dy * $half, $x + $dx * $half, $y + $dy * $half]);
                    }

                    continue;
                }
                $out = $away + (abs($dy) * $w + abs($dx) * $h) / 2;
                foreach ($dx < 0 ? [1, -1] : [-1, 1] as $sign) {
                    [$bx, $by] = [$x - $dy * $sign * $out, $y + $dx * $sign * $out];
                    if (self::isFree($bx, $by, $w, $h, $taken, $lines, null)) {
                        return self::put($slip, $w, $h, $bx, $by, null);
                    }
                }
            }
        }

        return self::setAside($slip, $w, $h, $taken, $lines);
    }

    /**
     * Stands a phrase in rings around the middle of its connector, with a leader; where everything is full of lines, it may
     * stand on one.
     *
     * @param  list<array{float, float, float, float}>  $taken
     * @param  list<array{int, float, float, float, float}>  $lines
     * @return array{float, float, float, float} what it takes itself
     */
    private static function setAside(Slip $slip, float $w, float $h, array $taken, array $lines): array
    {
        [$i, $x, $y, $dx, $dy] = self::at($slip->route, 0.5);
        [$x, $y] = [$x + $slip->x, $y + $slip->y];
        foreach ([$lines, []] as $others) {
            for ($far = 24.0; $far < self::FARTHEST; $far += 22.0) {
                for ($n = 0, $steps = (int) max(8, $far / 12); $n < $steps; $n++) {
                    $angle = 2 * M_PI * $n / $steps - M_PI_2;
                    [$bx, $by] = [$x + cos($angle) * ($far + $w / 2), $y + sin($angle) * ($far + $h / 2)];
                    if (self::isFree($bx, $by, $w, $h, $taken, $others, null)) {
                        return self::put($slip, $w, $h, $bx, $by, null);
                    }
                }
            }
        }
        $half = self::half($w, $h, $dx, $dy);

        return self::put($slip, $w, $h, $x, $y, [$i, $x - $dx * $half, $y - $dy * $half, $x + $dx * $half, $y + $dy * $half]);
    }

    /**
     * The line that shows which connector a phrase belongs to that stands away from it; null where that is seen.
     *
     * @return array{float, float, float, float}|null  from the words to the middle of the connector, from the slip's corner
     */
    public static function leader(Slip $slip): ?array
    {
        if ($slip->words === null || $slip->gap !== null || count($slip->route) < 4) {
            return null;
        }
        [$left, $top, $w, $h] = $slip->words;
        [, $x, $y] = self::at($slip->route, 0.5);
        [$fromX, $fromY] = [max($left, min($left + $w, $x)), max($top, min($top + $h, $y))];

        return hypot($fromX - $x, $fromY - $y) < self::LED ? null : [$fromX, $fromY, $x, $y];
    }

    /**
     * @param  list<array{float, float, float, float}>  $taken
     * @param  list<array{int, float, float, float, float}>  $lines
     * @param  int|null  $but  the line that may run there
     */
    private static function isFree(float $x, float $y, float $w, float $h, array $taken, array $lines, ?int $but): bool
    {
        $box = [$x - $w / 2, $y - $h / 2, $x + $w / 2, $y + $h / 2];
        foreach ($taken as $other) {
            if ($other[2] > $box[0] - self::AROUND && $other[0] < $box[2] + self::AROUND && $other[3] > $box[1] - self::AROUND && $other[1] < $box[3] + self::AROUND) {
                return false;
            }
        }
        foreach ($lines as [$n, $x0, $y0, $x1, $y1]) {
            if ($n !== $but && Ground::cuts($x0, $y0, $x1, $y1, $box, 2.0)) {
                return false;
            }
        }

        return true;
    }

    /**
     * @param  array{int, float, float, float, float}|null  $gap
     * @return array{float, float, float, float}
     */
    private static function put(Slip $slip, float $w, float $h, float $x, float $y, ?array $gap): array
    {
        [$left, $top] = [round($x - $w / 2, 1), round($y - $h / 2, 1)];
        $slip->words = [$left - $slip->x, $top - $slip->y, $w, $h];
        $slip->gap = $gap === null ? null : [$gap[0], $gap[1] - $slip->x, $gap[2] - $slip->y, $gap[3] - $slip->x, $gap[4] - $slip->y];

        return [$left, $top, $left + $w, $top + $h];
    }

    /** Half of what words take of a line that runs in this direction. */
    private static function half(float $w, float $h, float $dx, float $dy): float
    {
        return min($w / max(0.01, abs($dx)), $h / max(0.01, abs($dy))) / 2;
    }

    /**
     * How far a point of a piece is from the nearer of its ends.
     *
     * @param  list<float>  $route
     */
    private static function room(array $route, int $piece, float $x, float $y): float
    {
        return min(hypot($x - $route[2 * $piece], $y - $route[2 * $piece + 1]), hypot($x - $route[2 * $piece + 2], $y - $route[2 * $piece + 3]));
    }

    /**
     * @param  list<float>  $route  two points at least
     * @return array{int, float, float, float, float} which piece of it, the point, and the direction there
     */
    private static function at(array $route, float $part): array
    {
        $lengths = [];
        for ($i = 0; $i < count($route) - 2; $i += 2) {
            $lengths[] = hypot($route[$i + 2] - $route[$i], $route[$i + 3] - $route[$i + 1]);
        }
        $along = array_sum($lengths) * $part;
        $i = 0;
        while ($i < count($lengths) - 1 && $along > $lengths[$i]) {
            $along -= $lengths[$i++];
        }
        $length = max(0.01, $lengths[$i]);
        [$dx, $dy] = [($route[2 * $i + 2] - $route[2 * $i]) / $length, ($route[2 * $i + 3] - $route[2 * $i + 1]) / $length];

        return [$i, $route[2 * $i] + $dx * $along, $route[2 * $i + 1] + $dy * $along, $dx, $dy];
    }

    /** @return array{float, float} width and height of the words with what is around them */
    private static function extent(Slip $slip): array
    {
        self::$wrapper ??= new Wrapper(new Advances);
        $size = self::size($slip);
        // One short line, as most are.
        $width = self::$wrapper->plainWidth($slip->phrase, $size, $slip->look->type->face->cut());
        if ($width !== null && $width <= $size * self::WIDEST) {
            return [ceil($width) + 2 * self::PAD, ceil($size * self::LINE) + self::PAD];
        }
        $lines = self::lines($slip);

        return [ceil(max(array_map(fn (Line $line): float => $line->width, $lines))) + 2 * self::PAD, ceil(count($lines) * self::size($slip) * self::LINE) + self::PAD];
    }

    private static function isOnStrip(Slip $slip): bool
    {
        return $slip->phrase !== '' && $slip->given->phrase === PhraseWay::Strip;
    }
}
