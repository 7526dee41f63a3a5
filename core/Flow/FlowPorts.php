<?php

declare(strict_types=1);

namespace ChalkTree\Flow;

/** Where lines meet the boxes of a chart: at the edges above and below, which they share, or at the sides where these are free. */
final class FlowPorts
{
    /** Between lines that leave by one edge, and how near to its ends. */
    private const PORT = 15.0;

    private const EDGE = 9.0;

    /** At corners that part of an edge which still counts as the corner. */
    private const CORNER = 0.14;

    /** @var array<string, float> across, by line and end */
    private array $ports = [];

    /** @var array<string, true> lines that leave or reach a box at its side, by line and end; and the sides that are taken, by box and side */
    private array $sides = [];

    /** @param  list<FlowBox>  $boxes */
    public function __construct(private readonly array $boxes, private readonly FlowRows $at)
    {
        $this->meet();
    }

    /** Where a line leaves or reaches its box, across. */
    public function port(int $line, string $end): float
    {
        return $this->ports["{$line} {$end}"];
    }

    public function isAtSide(int $line, string $end): bool
    {
        return isset($this->sides["{$line} {$end}"]);
    }

    /** Where lines meet the boxes. */
    private function meet(): void
    {
        $under = $over = [];
        foreach ($this->at->chains->chains as $n => $chain) {
            $last = count($chain) - 1;
            foreach ([[0, 1, 'from'], [$last, $last - 1, 'to']] as [$at, $beside, $end]) {
                [$box, $next] = [$chain[$at], $chain[$beside]];
                $row = $this->at->chains->rank[$box];
                $to = $this->at->chains->rank[$next];
                $isOver = $to < $row || ($to === $row && $end === 'to');
                $x = $to === $row ? $this->at->x[$next] : $this->at->x[$this->at->between[$n.' '.min($row, $to)]];
                $item = [$x, $n, $end, $next, $to === $row];
                $isOver ? $over[$box][] = $item : $under[$box][] = $item;
            }
        }
        foreach ($this->boxes as $box => $one) {
            $this->turnsToSides($box, $one, $under[$box] ?? [], $over[$box] ?? []);
        }
        foreach ($this->boxes as $box => $one) {
            $this->outToSides($box, $one, $under[$box] ?? []);
            $this->share($box, $one, $under[$box] ?? []);
            $this->share($box, $one, $over[$box] ?? []);
        }
    }

    /**
     * Ways back that lie right beside the box meet its side.
     *
     * @param  list<array{float, int, string, int, bool}>  $under
     * @param  list<array{float, int, string, int, bool}>  $over
     */
    private function turnsToSides(int $box, FlowBox $one, array $under, array $over): void
    {
        foreach ([...$under, ...$over] as [, $n, $end, $next, $isTurn]) {
            if ($isTurn) {
                $this->takeSide($box, $one, $n, $end, $next);
            }
        }
    }

    private function takeSide(int $box, FlowBox $one, int $n, string $end, int $next): void
    {
        $row = $this->at->rows[2 * $this->at->chains->rank[$box]];
        $step = array_search($next, $row, true) - array_search($box, $row, true);
        $side = $step < 0 ? -1 : 1;
        if (abs($step) === 1 && ($side < 0 ? $one->isOpenBefore : $one->isOpenAfter) && ! isset($this->sides["{$box} {$side}"])) {
            $this->sides["{$box} {$side}"] = $this->sides["{$n} {$end}"] = true;
            $this->ports["{$n} {$end}"] = $this->at->x[$box] + $side * $one->w / 2;
        }
    }

    /**
     * Of several that leave a box, the outermost leave by its sides where nothing is in the way.
     *
     * @param  list<array{float, int, string, int, bool}>  $items
     */
    private function outToSides(int $box, FlowBox $one, array $items): void
    {
        if (count($items) < 2) {
            return;
        }
        sort($items);
        $row = $this->at->rows[2 * $this->at->chains->rank[$box]];
        $at = (int) array_search($box, $row, true);
        foreach ([[-1, $items[0]], [1, $items[count($items) - 1]]] as [$side, [$x, $n, $end, , $isTurn]]) {
            $isOpen = $side < 0 ? $one->isOpenBefore : $one->isOpenAfter;
            $beyond = $side * ($x - $this->at->x[$box]) - $one->w / 2;
            $beside = $row[$at + $side] ?? null;
            $free = $beside === null ? INF : $side * ($this->at->x[$beside] - $x) - ($side < 0 ? ($this->boxes[$beside]->after ?? 0.0) : ($this->boxes[$beside]->before ?? 0.0));
            if (! $isTurn && $isOpen && $beyond >= FlowRows::LINE && $free >= FlowRows::LINE && ! isset($this->sides["{$box} {$side}"])) {
                $this->sides["{$box} {$side}"] = $this->sides["{$n} {$end}"] = true;
                $this->ports["{$n} {$end}"] = $this->at->x[$box] + $side * $one->w / 2;
            }
        }
    }

    /**
     * Shares out an edge among the lines that meet it, each as near to where it goes as it can.
     *
     * @param  list<array{float, int, string, int, bool}>  $items
     */
    private function share(int $box, FlowBox $one, array $items): void
    {
        $items = array_values(array_filter($items, fn (array $item): bool => ! isset($this->sides["{$item[1]} {$item[2]}"])));
        usort($items, fn (array $a, array $b): int => [$a[0], $a[1]] <=> [$b[0], $b[1]]);
        $count = count($items);
        if ($count === 0) {
            return;
        }
        $half = max(2.0, $one->isPointed ? $one->w * self::CORNER : $one->w / 2 - self::EDGE);
        $gap = $count === 1 ? 0.0 : min(self::PORT, 2 * $half / ($count - 1));
        $wished = [];
        foreach ($items as $i => [$x]) {
            $away = $x - $this->at->x[$box];
            $wished[] = match (true) {
                abs($away) <= $half => $away,
                $count === 1 => 0.0,
                default => ($away < 0 ? -1 : 1) * min($half, self::PORT * ($away < 0 ? max(1, intdiv($count, 2) - $i) : max(1, $i - intdiv($count - 1, 2)))),
            };
        }
        for ($i = 1; $i < $count; $i++) {
            $wished[$i] = max($wished[$i], $wished[$i - 1] + $gap);
        }
        $most = $half;
        for ($i = $count - 1; $i >= 0; $i--) {
            $wished[$i] = $most = min($wished[$i], $most);
            $most -= $gap;
        }
        foreach ($items as $i => [, $n, $end]) {
            $this->ports["{$n} {$end}"] = $this->at->x[$box] + ($count === 1 || $gap >= 2.0 ? round($wished[$i]) : $wished[$i]);
        }
    }

    /** Where a line is, across, at one of the boxes or points of its chain. */
    public function xOf(int $n, int $vertex): float
    {
        if (isset($this->at->lineOf[$vertex])) {
            return $this->at->x[$vertex];
        }
        $end = $this->at->chains->chains[$n][0] === $vertex ? 'from' : 'to';
        if (! isset($this->sides["{$n} {$end}"])) {
            return $this->ports["{$n} {$end}"];
        }
        // From the side it comes straight to where it goes on.
        $chain = $this->at->chains->chains[$n];
        $next = $end === 'from' ? $chain[1] : $chain[count($chain) - 2];
        [$a, $b] = [$this->at->chains->rank[$vertex], $this->at->chains->rank[$next]];

        return $a === $b ? $this->at->x[$next] : $this->at->x[$this->at->between[$n.' '.min($a, $b)]];
    }
}
