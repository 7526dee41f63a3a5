<?php

declare(strict_types=1);

namespace ChalkTree\Flow;

/** How far down the rows of a chart stand, and where between them lines go across. */
final class FlowHeights
{
    /** From a row of boxes to where lines turn, from there to the next row so that a head has room, and between tracks. */
    private const OUT = 12.0;

    private const HEAD = 26.0;

    private const TRACK = 11.0;

    /** @var list<float> the middle of each row */
    public array $y = [];

    /** @var array<int, Tracks> by the row above */
    public array $tracks = [];

    /**
     * @param  list<FlowBox>  $boxes
     * @param  list<FlowLine>  $lines
     */
    public function __construct(private readonly array $boxes, private readonly array $lines, private readonly FlowRows $at, private readonly FlowPorts $ports)
    {
        $this->turn();
        $this->down();
    }

    /** Gives what leads across its track. */
    private function turn(): void
    {
        for ($r = -1; $r <= $this->at->chains->last; $r++) {
            $first = $second = $under = $over = [];
            $this->part($r);
            foreach ($this->at->chains->through[$r] ?? [] as [$n, $upper, $lower]) {
                $x = $this->at->x[$this->at->between["{$n} {$r}"]];
                $first[$n] = [$this->ports->xOf($n, $upper), $x];
                $second[$n] = [$x, $this->ports->xOf($n, $lower)];
            }
            foreach ($this->at->chains->under[$r] ?? [] as [$n, $box, $point]) {
                if (! $this->ports->isAtSide($n, 'from')) {
                    $under[$n] = [$this->ports->xOf($n, $box), $this->at->x[$point]];
                }
            }
            foreach ($this->at->chains->over[$r + 1] ?? [] as [$n, $point, $box]) {
                if (! $this->ports->isAtSide($n, 'to')) {
                    $over[$n] = [$this->at->x[$point], $this->ports->xOf($n, $box)];
                }
            }
            $this->tracks[2 * $r] = new Tracks($first, $under, []);
            $this->tracks[2 * $r + 1] = new Tracks($second, [], $over);
        }
    }

    /** Where two lines would change places exactly, one passes a little beside that, so that neither lies on the other. */
    private function part(int $r): void
    {
        $runs = [];
        foreach ($this->at->chains->through[$r] ?? [] as [$n, , $lower]) {
            $point = $this->at->between["{$n} {$r}"];
            $run = [$this->at->x[$point], $this->ports->xOf($n, $lower)];
            foreach ($runs as [$from, $to]) {
                if (abs($from - $run[1]) < FlowRows::LINE / 2 && abs($to - $run[0]) < FlowRows::LINE / 2 && abs($from - $to) > 0.5) {
                    $this->at->x[$point] += FlowRows::LINE * 0.7;
                    break;
                }
            }
            $runs[] = $run;
        }
    }

    /** How far down rows stand. */
    private function down(): void
    {
        $rooms = [];
        foreach ($this->at->rows as $row) {
            [$above, $below] = [0.0, 0.0];
            foreach ($row as $vertex) {
                $box = $this->boxes[$vertex] ?? null;
                $words = $box === null && ($n = $this->at->wordsAt($vertex)) !== null ? $this->lines[$n]->h / 2 + 2.0 : 0.0;
                $above = max($above, $box->above ?? $words);
                $below = max($below, $box->below ?? $words);
            }
            $rooms[] = [$above, $below];
        }
        $y = 0.0;
        foreach ($rooms as $k => [$above, $below]) {
            if ($k > 0) {
                $y += $rooms[$k - 1][1] + $this->gap($k - 1) + $above;
            }
            $this->y[] = $y;
        }
    }

    /** Between a row and the next one. */
    private function gap(int $k): float
    {
        $count = ($this->tracks[$k] ?? null)->count ?? 0;
        $turns = $count === 0 ? 0.0 : ($count - 1) * self::TRACK;

        return $k % 2 === 0 ? self::OUT + $turns + ($count === 0 ? 0.0 : self::OUT / 2) : $turns + self::HEAD;
    }

    /** The edge of a row: where its lower one is, down. */
    private function foot(int $k): float
    {
        $below = 0.0;
        foreach ($this->at->rows[$k] ?? [] as $vertex) {
            $box = $this->boxes[$vertex] ?? null;
            $below = max($below, $box->below ?? ($this->at->wordsAt($vertex) !== null ? $this->lines[$this->at->lineOf[$vertex]]->h / 2 + 2.0 : 0.0));
        }

        return ($this->y[$k] ?? 0.0) + $below;
    }

    /** Where a track is, down. */
    public function trackAt(int $k, int $track): float
    {
        if ($k < 0) {
            $head = 0.0;
            foreach ($this->at->rows[0] as $vertex) {
                $head = max($head, $this->boxes[$vertex]->above ?? 0.0);
            }

            return $this->y[0] - $head - self::HEAD - (($this->tracks[$k]->count - 1) - $track) * self::TRACK;
        }

        return $this->foot($k) + ($k % 2 === 0 ? self::OUT : 0.0) + $track * self::TRACK;
    }
}
