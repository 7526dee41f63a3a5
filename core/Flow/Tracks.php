<?php

declare(strict_types=1);

namespace ChalkTree\Flow;

/**
 * How far down the pieces of lines turn between two rows, so that none lies on another and none crosses more often than
 * it must: turns that hang below the upper row first, the inner ones before the outer; then what leads across; then turns
 * that stand over the lower row. A run goes from where it is at the upper row to where it is at the lower one.
 *
 * @phpstan-type Run array{float, float}
 */
final class Tracks
{
    /** What stands nearer together than this lies on each other. */
    private const NEAR = 5.0;

    /** @var array<int, int> the track of each run, from 0; for those that run straight -1 */
    public array $of = [];

    /** @var array<int, int> of each turn below the upper row */
    public array $under = [];

    /** @var array<int, int> of each turn over the lower row */
    public array $over = [];

    public int $count = 0;

    /**
     * @param  array<int, Run>  $runs
     * @param  array<int, Run>  $under  both ends at the upper row
     * @param  array<int, Run>  $over  both ends at the lower row
     */
    public function __construct(array $runs, array $under, array $over)
    {
        $this->under = $this->nested($under, false);
        $this->runs($runs);
        $this->over = $this->nested($over, true);
    }

    /**
     * @param  array<int, Run>  $turns
     * @return array<int, int>
     */
    private function nested(array $turns, bool $isOver): array
    {
        uasort($turns, fn (array $a, array $b): int => ($isOver ? -1 : 1) * (abs($a[0] - $a[1]) <=> abs($b[0] - $b[1])));
        $first = $this->count;
        $tracks = $taken = [];
        foreach ($turns as $n => [$a, $b]) {
            [$left, $right] = [min($a, $b), max($a, $b)];
            $track = $first;
            // Above all that it lies within, and beside nothing that it overlaps.
            foreach ($taken as [$at, $l, $r]) {
                if ($left < $r + self::NEAR && $l < $right + self::NEAR) {
                    $track = max($track, $at + 1);
                }
            }
            $tracks[$n] = $track;
            $taken[] = [$track, $left, $right];
            $this->count = max($this->count, $track + 1);
        }

        return $tracks;
    }

    /** @param  array<int, Run>  $runs */
    private function runs(array $runs): void
    {
        $bent = array_filter($runs, fn (array $run): bool => $run[0] !== $run[1]);
        $this->of = array_fill_keys(array_keys($runs), -1);
        $before = $after = array_fill_keys(array_keys($bent), []);
        foreach ($bent as $a => $one) {
            foreach ($bent as $b => $other) {
                if ($a !== $b && self::isFirst($one, $other)) {
                    $before[$b][] = $a;
                    $after[$a][] = $b;
                }
            }
        }
        $waits = array_map(count(...), $before);
        $first = $this->count;
        $taken = [];
        while ($waits !== []) {
            // Where they wait for each other in a ring, that which waits for the fewest goes first.
            $next = (int) array_search(min($waits), $waits, true);
            unset($waits[$next]);
            foreach ($after[$next] as $one) {
                if (isset($waits[$one])) {
                    $waits[$one]--;
                }
            }
            [$left, $right] = [min($bent[$next]), max($bent[$next])];
            $track = $first;
            foreach ($before[$next] as $one) {
                $track = max($track, ($this->of[$one] ?? -1) + 1);
            }
            while (self::isTaken($taken[$track] ?? [], $left, $right)) {
                $track++;
            }
            $this->of[$next] = $track;
            $taken[$track][] = [$left, $right];
            $this->count = max($this->count, $track + 1);
        }
    }

    /**
     * Whether one has to turn farther up than another.
     *
     * @param  Run  $one
     * @param  Run  $other
     */
    private static function isFirst(array $one, array $other): bool
    {
        [[$a, $b], [$c, $d]] = [$one, $other];
        // Where one comes down where the other went, that has turned before.
        if (abs($a - $d) < self::NEAR && abs($b - $c) >= self::NEAR) {
            return true;
        }
        if (abs($b - $c) < self::NEAR && abs($a - $d) >= self::NEAR) {
            return false;
        }
        // Side by side they need not cross.
        if (($a - $c) * ($b - $d) > 0 && min($a, $b) < max($c, $d) && min($c, $d) < max($a, $b)) {
            return $b > $a ? $a > $c : $a < $c;
        }

        return false;
    }

    /** @param  list<Run>  $taken */
    private static function isTaken(array $taken, float $left, float $right): bool
    {
        foreach ($taken as [$l, $r]) {
            if ($left < $r + self::NEAR && $l < $right + self::NEAR) {
                return true;
            }
        }

        return false;
    }
}
