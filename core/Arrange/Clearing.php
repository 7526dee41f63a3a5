<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

use Closure;

/** Knows which parts of the board are taken, and finds how far down something must go to stand free. */
final class Clearing
{
    /** Pixels between things that stand free. */
    private const ROOM = 12;

    private const AHEAD = 160;

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
        $near = $this->taken;
        $down = 0.0;
        do {
            if ($bottom + $down > $known) {
                // What stands further down is asked for piece by piece, since mostly not much of it matters.
                $until = $bottom + $down + self::AHEAD;
                array_push($near, ...[...($this->drawn)([$left, $known, $right, $until])]);
                $known = $until;
            }
            $more = 0.0;
            foreach ($boxes as [$l, $t, $r, $b]) {
                $more = max($more, self::into([$l - self::ROOM, $t + $down - self::ROOM, $r + self::ROOM, $b + $down + self::ROOM], $near));
            }
            // Every step clears at least one thing that is taken, so it ends.
            $down += $more;
        } while ($more > 0.0);

        return ceil($down);
    }

    /**
     * How far a box would have to go down to be clear of those it touches where it is now.
     *
     * @param  array{float, float, float, float}  $box
     * @param  list<array{float, float, float, float}>  $others
     */
    private static function into(array $box, array $others): float
    {
        [$left, $top, $right, $bottom] = $box;
        $deep = 0.0;
        foreach ($others as [$l, $t, $r, $b]) {
            if ($l < $right && $left < $r && $t < $bottom - 0.01 && $top < $b - 0.01) {
                $deep = max($deep, $b - $top);
            }
        }

        return $deep;
    }
}
