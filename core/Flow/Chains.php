<?php

declare(strict_types=1);

namespace ChalkTree\Flow;

/**
 * The lines of a flow chart as chains from row to row: a line that goes past a row has a point there. Boxes and points
 * are numbered alike, boxes first. Between two rows lie pieces that lead from one to the other, and turns: the way back
 * of a loop, which leaves a row and comes to the same row again, from below or from above. A piece is the line, the upper and the lower one; or both ends of a turn.
 *
 * @phpstan-type Piece array{int, int, int}
 */
final class Chains
{
    /** @var array<int, int> the row of each box and point */
    public array $rank;

    /** @var array<int, list<int>> the boxes and points by which each line goes */
    public array $chains = [];

    /** @var array<int, list<Piece>> those that lead on, by the row above them */
    public array $through = [];

    /** @var array<int, list<Piece>> turns that hang below a row, by that */
    public array $under = [];

    /** @var array<int, list<Piece>> turns that stand over a row, by that */
    public array $over = [];

    public readonly int $boxes;

    public readonly int $last;

    /**
     * @param  list<FlowBox>  $boxes
     * @param  list<array{int, int}>  $lines
     */
    public function __construct(array $boxes, public readonly array $lines, public readonly Ranks $ranks)
    {
        $this->boxes = count($boxes);
        $this->rank = $ranks->of;
        $this->last = $this->rank === [] ? 0 : max($this->rank);
        foreach ($lines as $n => [$from, $to]) {
            $this->lead($n, $from, $to, isset($ranks->loops[$n]));
        }
    }

    public function isPoint(int $vertex): bool
    {
        return $vertex >= $this->boxes;
    }

    private function lead(int $n, int $from, int $to, bool $isLoop): void
    {
        [$first, $end] = [$this->rank[$from], $this->rank[$to]];
        $chain = [$from];
        if ($isLoop) {
            for ($row = $first; $row >= $end; $row--) {
                $chain[] = $this->point($row);
            }
        } else {
            for ($row = $first + 1; $row < $end; $row++) {
                $chain[] = $this->point($row);
            }
        }
        $chain[] = $to;
        $this->chains[$n] = $chain;
        for ($i = 1, $count = count($chain); $i < $count; $i++) {
            [$a, $b] = [$chain[$i - 1], $chain[$i]];
            match (true) {
                $this->rank[$a] < $this->rank[$b] => $this->through[$this->rank[$a]][] = [$n, $a, $b],
                $this->rank[$a] > $this->rank[$b] => $this->through[$this->rank[$b]][] = [$n, $b, $a],
                $i === 1 => $this->under[$this->rank[$a]][] = [$n, $a, $b],
                default => $this->over[$this->rank[$a]][] = [$n, $a, $b],
            };
        }
    }

    private function point(int $row): int
    {
        $this->rank[] = $row;

        return count($this->rank) - 1;
    }
}
