<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

use Closure;

/** Knows which parts of the board are taken, and finds how far down something must go to stand free. */
final class Clearing
{
    /** Pixels between things that stand free. */
    private const ROOM = 12;

    private const AHEAD = 400;

    /** @var list<array{float, float, float, float}> what was put there so far */
    private array $taken = [];

    /** @param  Closure(array{float, float, float, float}): iterable<array{float, float, float, float}>  $drawn  what else stands in a part of the board, or near it; left, top, right, bottom */
    public function __construct(private readonly Closure $drawn)
    {
    }

    /** @param  array{float, float, float, float}  $box */
    public function take(array $box): void
    {
        $this->taken[] = $box;
    }

    /**
     * The least distance downwards after which none of these boxes touches what is taken.
     *
     * @param  non-empty-list<array{float, float, float, float}>  $boxes
     */
    public function down(array $boxes): float
    {
        $left = min(array_column($boxes, 0)) - self::ROOM;
        $right = max(array_column($boxes, 2)) + self::ROOM;
        $top = min(array_column($boxes, 1)) - self::ROOM;
        $bottom = max(array_column($boxes, 3)) + self::ROOM;
        $known = $top;
        $fresh = $this->taken;
        /** @var list<list<array{float, float}>> $beside for each box, top and bottom of what it can meet on its way down */
        $beside = array_fill(0, count($boxes), []);
        $down = 0.0;
        do {
            if ($bottom + $down > $known) {
                // What stands further down is asked for piece by piece, since mostly not much of it matters.
                $until = $bottom + $down + self::AHEAD;
                array_push($fresh, ...[...($this->drawn)([$left, $known, $right, $until])]);
                $known = $until;
            }
            $more = 0.0;
            foreach ($boxes as $n => [$l, $t, $r, $b]) {
                self::meet($beside[$n], $fresh, $l - self::ROOM, $r + self::ROOM);
                $more = max($more, self::into($beside[$n], $t + $down - self::ROOM, $b + $down + self::ROOM));
            }
            $fresh = [];
            // Every step clears at least one thing that is taken, so it ends.
            $down += $more;
        } while ($more > 0.0);

        return ceil($down);
    }

    /**
     * @param  list<array{float, float}>  $beside
     * @param  list<array{float, float, float, float}>  $others
     */
    private static function meet(array &$beside, array $others, float $left, float $right): void
    {
        foreach ($others as [$l, $t, $r, $b]) {
            if ($l < $right && $left < $r) {
                $beside[] = [$t, $b];
            }
        }
    }

    /**
     * How far a box would have to go down to be clear of those it touches where it is now; what is above it by now is
     * left out from then on.
     *
     * @param  list<array{float, float}>  $others  top and bottom
     */
    private static function into(array &$others, float $top, float $bottom): float
    {
        $deep = 0.0;
        $below = [];
        foreach ($others as [$t, $b]) {
            if ($top >= $b - 0.01) {
                continue;
            }
            $below[] = [$t, $b];
            if ($t < $bottom - 0.01 && $b - $top > $deep) {
                $deep = $b - $top;
            }
        }
        $others = $below;

        return $deep;
    }
}
