<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

/** Remembers which parts of the board are taken, and finds how far down something must go to stand free. */
final class Clearing
{
    /** Pixels between things that stand free. */
    private const ROOM = 12;

    private const CELL = 256;

    /** @var array<string, list<array{float, float, float, float}>> what is taken, by the cells it touches */
    private array $cells = [];

    public function take(float $left, float $top, float $right, float $bottom): void
    {
        foreach ($this->cellsOf($left, $top, $right, $bottom) as $cell) {
            $this->cells[$cell][] = [$left, $top, $right, $bottom];
        }
    }

    /**
     * The least distance downwards after which none of these boxes touches what is taken.
     *
     * @param  list<array{float, float, float, float}>  $boxes  left, top, right, bottom
     */
    public function down(array $boxes): float
    {
        $down = 0.0;
        do {
            $more = 0.0;
            foreach ($boxes as [$left, $top, $right, $bottom]) {
                $more = max($more, $this->into($left - self::ROOM, $top + $down - self::ROOM, $right + self::ROOM, $bottom + $down + self::ROOM));
            }
            // Every step clears at least one thing that is taken, so it ends.
            $down += $more;
        } while ($more > 0.0);

        return ceil($down);
    }

    /** How far a box would have to go down to be clear of what it touches where it is now. */
    private function into(float $left, float $top, float $right, float $bottom): float
    {
        $deep = 0.0;
        foreach ($this->cellsOf($left, $top, $right, $bottom) as $cell) {
            foreach ($this->cells[$cell] ?? [] as [$l, $t, $r, $b]) {
                if ($l < $right && $left < $r && $t < $bottom - 0.01 && $top < $b - 0.01) {
                    $deep = max($deep, $b - $top);
                }
            }
        }

        return $deep;
    }

    /** @return iterable<string> */
    private function cellsOf(float $left, float $top, float $right, float $bottom): iterable
    {
        for ($x = (int) floor($left / self::CELL); $x <= floor($right / self::CELL); $x++) {
            for ($y = (int) floor($top / self::CELL); $y <= floor($bottom / self::CELL); $y++) {
                yield "{$x} {$y}";
            }
        }
    }
}
