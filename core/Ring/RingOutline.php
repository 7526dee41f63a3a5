<?php

declare(strict_types=1);

namespace ChalkTree\Ring;

/**
 * The way of a line around some rectangles that keeps others out: one loop around all of them, into which the strangers
 * are cut from the nearest side; around a stranger that is enclosed a loop of its own. A rectangle is left, top, right,
 * bottom.
 *
 * @phpstan-type Rect array{float, float, float, float}
 * @phpstan-type Loop non-empty-list<array{float, float}>
 */
final class RingOutline
{
    /** How far the line stays away from strangers, and from its own at the least. */
    private const AWAY = 5.0;

    private const NEAR = 4.0;

    /** Past so many strangers in between, or so many of its own and of them, each of its own has a loop to itself. */
    private const MOST = 60;

    private const MOST_OF_ALL = 160;

    /**
     * @param  non-empty-list<Rect>  $own
     * @param  list<Rect>  $strangers
     * @param  float  $pad  how far away from its own the line runs where nothing is in its way
     * @return non-empty-list<Loop> right-angled, the corners in turn
     */
    public static function around(array $own, array $strangers, float $pad): array
    {
        $all = self::grown([min(array_column($own, 0)), min(array_column($own, 1)), max(array_column($own, 2)), max(array_column($own, 3))], $pad);
        $strangers = array_values(array_filter($strangers, fn (array $box): bool => self::overlap($box, $all)));
        if ($strangers === []) {
            return [[[$all[0], $all[1]], [$all[2], $all[1]], [$all[2], $all[3]], [$all[0], $all[3]]]];
        }
        if (count($strangers) > self::MOST || count($strangers) + count($own) > self::MOST_OF_ALL) {
            return array_merge(...array_map(fn (array $box): array => self::around([$box], [], min($pad, self::NEAR)), $own));
        }
        $kept = array_map(fn (array $box): array => self::grown($box, self::NEAR), $own);
        foreach ([true, false] as $isOpen) {
            $cuts = [];
            foreach ($strangers as $box) {
                $cut = self::grown($box, self::AWAY);
                $cuts[] = $isOpen ? self::cut($cut, $all, $kept) : $cut;
            }
            $cells = new RingCells($all, $cuts, $kept);
            // Better several holes than several pieces.
            if ($cells->isOnePiece()) {
                return $cells->loops();
            }
        }

        return $cells->loops();
    }

    /**
     * A stranger's rectangle, reaching out to the side that costs least.
     *
     * @param  Rect  $cut
     * @param  Rect  $all
     * @param  list<Rect>  $kept
     * @return Rect
     */
    private static function cut(array $cut, array $all, array $kept): array
    {
        $best = $cut;
        $least = INF;
        foreach ([0, 1, 2, 3] as $side) {
            $wider = $cut;
            $wider[$side] = $all[$side] + ($side < 2 ? -1.0 : 1.0);
            $cost = abs($wider[$side] - $cut[$side]) * ($side % 2 === 0 ? $cut[3] - $cut[1] : $cut[2] - $cut[0]);
            if ($cost < $least && array_filter($kept, fn (array $box): bool => self::overlap($box, $wider)) === []) {
                [$best, $least] = [$wider, $cost];
            }
        }

        return $best;
    }

    /**
     * @param  Rect  $box
     * @return Rect
     */
    private static function grown(array $box, float $by): array
    {
        return [$box[0] - $by, $box[1] - $by, $box[2] + $by, $box[3] + $by];
    }

    /**
     * @param  Rect  $a
     * @param  Rect  $b
     */
    private static function overlap(array $a, array $b): bool
    {
        return $a[0] < $b[2] && $b[0] < $a[2] && $a[1] < $b[3] && $b[1] < $a[3];
    }

    /**
     * Loops as an SVG path with round corners.
     *
     * @param  list<Loop>  $loops
     */
    public static function path(array $loops, float $corner): string
    {
        $d = '';
        foreach ($loops as $loop) {
            foreach ($loop as $n => [$x, $y]) {
                [$px, $py] = $loop[($n + count($loop) - 1) % count($loop)];
                [$nx, $ny] = $loop[($n + 1) % count($loop)];
                [$in, $out] = [abs($x - $px) + abs($y - $py), abs($nx - $x) + abs($ny - $y)];
                $r = min($corner, $in / 2, $out / 2);
                $at = fn (float $tx, float $ty): string => self::short($x + ($tx <=> $x) * $r).' '.self::short($y + ($ty <=> $y) * $r);
                $d .= ($n === 0 ? 'M' : 'L').$at($px, $py).'Q'.self::short($x).' '.self::short($y).' '.$at($nx, $ny);
            }
            $d .= 'Z';
        }

        return $d;
    }

    private static function short(float $at): float
    {
        return round($at, 1);
    }
}
