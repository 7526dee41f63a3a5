<?php

declare(strict_types=1);

namespace ChalkTree\Flow;

/**
 * In which order boxes and points stand in their rows, so that few lines cross: by the places of their neighbours, row by
 * row down and up (Sugiyama, Tagawa, Toda 1981), each time mended by exchanging neighbours for as long as that helps
 * (Eades, Kelly 1986), from several beginnings. The ways back of loops can be kept to the outside.
 *
 * @phpstan-import-type Piece from Chains
 */
final class Order
{
    /** Rounds without anything better, after which another beginning is tried. */
    private const PATIENCE = 5;

    /** Beginnings, for charts of up to so many boxes and points; and for all that are larger. */
    private const TRIES = [[120, 8], [300, 5], [700, 2]];

    /** Of more loops than these none is tried on the other side. */
    private const MOST_TURNED = 12;

    /** Passes of exchanging neighbours, in charts of up to so many boxes and points; and in larger ones. */
    private const PASSES = [12, 300, 3];

    /** So many more crossings are taken for loops that go outside. */
    private const FOR_OUTSIDE = 1;

    /** @var array<int, list<int>> the boxes and points of each row, in order */
    public array $rows = [];

    public int $crossings = 0;

    /** @var array<int, int> */
    private array $at = [];

    /** @var array<int, list<int>> those in the row above to which each is tied */
    private array $above = [];

    /** @var array<int, list<int>> */
    private array $below = [];

    /** @var array<int, list<int>> those in the same row */
    private array $beside = [];

    /** @var array<int, int> -1 for points kept to the left end of their row, 1 for those kept to the right */
    private array $side = [];

    private int $seed = 1;

    public function __construct(private readonly Chains $chains)
    {
        foreach ($chains->through as $pieces) {
            foreach ($pieces as [, $upper, $lower]) {
                $this->below[$upper][] = $lower;
                $this->above[$lower][] = $upper;
            }
        }
        foreach ([$chains->under, $chains->over] as $turns) {
            foreach ($turns as $pieces) {
                foreach ($pieces as [, $a, $b]) {
                    $this->beside[$a][] = $b;
                    $this->beside[$b][] = $a;
                }
            }
        }
        $this->begin();
        $this->search();
        if ($chains->ranks->loops !== []) {
            $this->outside();
        }
    }

    /** The order in which they are come upon. */
    private function begin(): void
    {
        $seen = [];
        $this->rows = array_fill(0, $this->chains->last + 1, []);
        $put = function (int $vertex) use (&$seen): void {
            if (isset($seen[$vertex])) {
                return;
            }
            $seen[$vertex] = true;
            $this->rows[$this->chains->rank[$vertex]][] = $vertex;
        };
        $leaving = [];
        foreach ($this->chains->lines as $n => [$from]) {
            $leaving[$from][] = $n;
        }
        foreach ($this->chains->boxes === 0 ? [] : range(0, $this->chains->boxes - 1) as $box) {
            $stack = [$box];
            while (($at = array_pop($stack)) !== null) {
                $isNew = ! isset($seen[$at]);
                $put($at);
                foreach ($isNew ? array_reverse($leaving[$at] ?? []) : [] as $n) {
                    foreach (array_slice($this->chains->chains[$n], 1, -1) as $point) {
                        $put($point);
                    }
                    $stack[] = $this->chains->lines[$n][1];
                }
            }
        }
        $this->number();
    }

    private function number(): void
    {
        foreach ($this->rows as $row) {
            foreach ($row as $at => $vertex) {
                $this->at[$vertex] = $at;
            }
        }
    }

    /** From several beginnings; what is best is kept. */
    private function search(): void
    {
        $size = count($this->chains->rank);
        $tries = 1;
        foreach (array_reverse(self::TRIES) as [$most, $times]) {
            $tries = $size <= $most ? $times : $tries;
        }
        $begun = $this->rows;
        $best = null;
        for ($try = 0; $try < $tries && ($best === null || $best[0] > 0); $try++) {
            $this->rows = $begun;
            if ($try > 0) {
                $this->shuffle($try);
            }
            $this->number();
            $found = $this->better();
            if ($best === null || $found[0] < $best[0]) {
                $best = $found;
            }
        }
        if ($best !== null) {
            [$this->crossings, $this->rows] = $best;
            $this->number();
        }
    }

    /** Another beginning, the same every time. */
    private function shuffle(int $try): void
    {
        $this->seed = $try * 7919;
        foreach ($this->rows as $n => $row) {
            if ($try === 1) {
                $this->rows[$n] = array_reverse($row);
            } else {
                $keys = array_map(fn (): int => $this->chance(), $row);
                array_multisort($keys, $row);
                $this->rows[$n] = $row;
            }
            $this->grouped($n);
        }
    }

    private function chance(): int
    {
        return $this->seed = ($this->seed * 1_103_515_245 + 12_345) % 2_147_483_648;
    }

    /** @return array{int, array<int, list<int>>} crossings, and the order */
    private function better(): array
    {
        $best = [$this->counted(), $this->rows];
        for ($round = $waited = 0; $waited < self::PATIENCE && $best[0] > 0; $round++) {
            // As it begins it is mended only, and where nothing crosses it stays.
            if ($round > 0) {
                $this->sweep($round % 2 === 1, $round % 4 < 2);
            }
            $this->exchange();
            $crossings = $this->counted();
            $waited = $crossings < $best[0] ? 0 : $waited + 1;
            if ($crossings < $best[0]) {
                $best = [$crossings, $this->rows];
            }
        }

        return $best;
    }

    private function sweep(bool $isDown, bool $isMean): void
    {
        $last = $this->chains->last;
        for ($i = 1; $i <= $last; $i++) {
            $n = $isDown ? $i : $last - $i;
            $row = $this->rows[$n];
            $wide = count($this->rows[$isDown ? $n - 1 : $n + 1]);
            $wished = [];
            foreach ($row as $at => $vertex) {
                $near = array_map(fn (int $one): float => (float) $this->at[$one], ($isDown ? $this->above : $this->below)[$vertex] ?? []);
                foreach ($this->beside[$vertex] ?? [] as $one) {
                    $near[] = ($this->at[$one] + 0.5) / count($row) * $wide - 0.5;
                }
                sort($near);
                $count = count($near);
                $wished[] = match (true) {
                    $count === 0 => ($at + 0.5) / count($row) * $wide - 0.5,
                    $isMean => array_sum($near) / $count,
                    default => ($near[intdiv($count - 1, 2)] + $near[intdiv($count, 2)]) / 2,
                };
            }
            array_multisort($wished, array_keys($row), $row);
            $this->rows[$n] = $row;
            $this->grouped($n);
            foreach ($this->rows[$n] as $at => $vertex) {
                $this->at[$vertex] = $at;
            }
        }
    }

    /** Brings what is kept to the outside there. */
    private function grouped(int $n): void
    {
        if ($this->side !== []) {
            $sides = array_map(fn (int $vertex): int => $this->side[$vertex] ?? 0, $this->rows[$n]);
            $row = $this->rows[$n];
            array_multisort($sides, array_keys($row), $row);
            $this->rows[$n] = $row;
        }
    }

    /** Exchanges neighbours for as long as lines come to cross less. */
    private function exchange(): void
    {
        [$few, $most, $many] = self::PASSES;
        for ($pass = 0, $passes = count($this->chains->rank) <= $most ? $few : $many; $pass < $passes; $pass++) {
            $isBetter = false;
            foreach ($this->rows as $n => $row) {
                for ($i = 1, $count = count($row); $i < $count; $i++) {
                    [$a, $b] = [$this->rows[$n][$i - 1], $this->rows[$n][$i]];
                    if (($this->side[$a] ?? 0) !== ($this->side[$b] ?? 0)) {
                        continue;
                    }
                    $gain = $this->gain($n, $a, $b);
                    // Where it is all one, every other pass tries what the exchange leads to.
                    if ($gain > 0 || ($gain === 0 && $pass % 3 === 2)) {
                        $this->swap($n, $i, $a, $b);
                        $isBetter = $isBetter || $gain > 0;
                    }
                }
            }
            if (! $isBetter && $pass % 3 === 2) {
                break;
            }
        }
    }

    private function swap(int $n, int $i, int $a, int $b): void
    {
        array_splice($this->rows[$n], $i - 1, 2, [$b, $a]);
        [$this->at[$a], $this->at[$b]] = [$i, $i - 1];
    }

    /** How many crossings fewer there are if two neighbours change places. */
    private function gain(int $n, int $a, int $b): int
    {
        $gain = 0;
        foreach ([$this->above, $this->below] as $tied) {
            foreach ($tied[$a] ?? [] as $x) {
                foreach ($tied[$b] ?? [] as $y) {
                    $gain += $this->at[$x] <=> $this->at[$y];
                }
            }
        }
        if (! isset($this->chains->under[$n]) && ! isset($this->chains->over[$n])) {
            return $gain;
        }
        $turns = fn (): int => self::ofTurns($this->chains->under[$n] ?? [], $this->at, $this->chains->through[$n] ?? [], 1)
            + self::ofTurns($this->chains->over[$n] ?? [], $this->at, $this->chains->through[$n - 1] ?? [], 2);
        $before = $turns();
        [$this->at[$a], $this->at[$b]] = [$this->at[$b], $this->at[$a]];
        $after = $turns();
        [$this->at[$a], $this->at[$b]] = [$this->at[$b], $this->at[$a]];

        return $gain + $before - $after;
    }

    /**
     * The crossings of turns with each other, and with the pieces that lead past them.
     *
     * @param  list<Piece>  $turns
     * @param  array<int, int>  $at
     * @param  list<Piece>  $pieces
     * @param  int  $end  which of its ends a piece has in the row of the turns
     */
    private static function ofTurns(array $turns, array $at, array $pieces, int $end): int
    {
        $crossings = 0;
        foreach ($turns as $n => [, $one, $other]) {
            [$p, $q] = [min($at[$one], $at[$other]), max($at[$one], $at[$other])];
            foreach ($pieces as $piece) {
                $x = $at[$piece[$end]];
                $crossings += $p < $x && $x < $q ? 1 : 0;
            }
            for ($m = 0; $m < $n; $m++) {
                [$s, $t] = [min($at[$turns[$m][1]], $at[$turns[$m][2]]), max($at[$turns[$m][1]], $at[$turns[$m][2]])];
                $crossings += ($p < $s && $s < $q && $q < $t) || ($s < $p && $p < $t && $t < $q) ? 1 : 0;
            }
        }

        return $crossings;
    }

    private function counted(): int
    {
        $crossings = 0;
        for ($n = -1; $n <= $this->chains->last; $n++) {
            $pieces = $this->chains->through[$n] ?? [];
            foreach ($pieces as $i => [, $a, $b]) {
                for ($j = 0; $j < $i; $j++) {
                    $crossings += ($this->at[$a] - $this->at[$pieces[$j][1]]) * ($this->at[$b] - $this->at[$pieces[$j][2]]) < 0 ? 1 : 0;
                }
            }
            $crossings += self::ofTurns($this->chains->under[$n] ?? [], $this->at, $pieces, 1) + self::ofTurns($this->chains->over[$n + 1] ?? [], $this->at, $pieces, 2);
        }

        return $crossings;
    }

    /** Keeps loops to the outside, each on the side where it is already, if that costs little. */
    private function outside(): void
    {
        [$free, $rows] = [$this->crossings, $this->rows];
        foreach (array_keys($this->chains->ranks->loops) as $n) {
            $points = array_slice($this->chains->chains[$n], 1, -1);
            $lean = 0.0;
            foreach ($points as $point) {
                $lean += ($this->at[$point] + 0.5) / count($this->rows[$this->chains->rank[$point]]) - 0.5;
            }
            foreach ($points as $point) {
                $this->side[$point] = $lean < -0.01 ? -1 : 1;
            }
        }
        foreach (array_keys($this->rows) as $n) {
            $this->grouped($n);
        }
        $this->number();
        $this->search();
        if ($this->crossings > $free && count($this->chains->ranks->loops) <= self::MOST_TURNED) {
            $this->turnSides();
        }
        if ($this->crossings > $free + self::FOR_OUTSIDE) {
            [$this->crossings, $this->rows, $this->side] = [$free, $rows, []];
            $this->number();
        }
    }

    /** Tries each loop on the other side. */
    private function turnSides(): void
    {
        foreach (array_keys($this->chains->ranks->loops) as $n) {
            $kept = [$this->crossings, $this->rows, $this->side];
            foreach (array_slice($this->chains->chains[$n], 1, -1) as $point) {
                $this->side[$point] = -$this->side[$point];
            }
            foreach (array_keys($this->rows) as $row) {
                $this->grouped($row);
            }
            $this->number();
            [$crossings, $rows] = $this->better();
            if ($crossings < $kept[0]) {
                [$this->crossings, $this->rows] = [$crossings, $rows];
            } else {
                [$this->crossings, $this->rows, $this->side] = $kept;
            }
            $this->number();
        }
    }
}
