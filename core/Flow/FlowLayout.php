<?php

declare(strict_types=1);

namespace ChalkTree\Flow;

/**
 * Lays out a flow chart: boxes in rows (Ranks), in an order in which few lines cross (Order), so far across that lines run
 * straight (Across), and lines across and down in the gaps (Tracks). Nothing lies on anything by construction: boxes,
 * points and words have room of their own in their rows, and lines go across only between rows.
 *
 * Each row of boxes is followed by one in which every line has a point, where its words stand.
 *
 * @phpstan-import-type Point from FlowChart
 */
final class FlowLayout
{
    /** Between boxes side by side, and between lines. */
    private const BESIDE = 30.0;

    private const LINE = 9.0;

    /** Between words and what is beside them. */
    private const WORDS = 9.0;

    /** From a row of boxes to where lines turn, from there to the next row so that a head has room, and between tracks. */
    private const OUT = 12.0;

    private const HEAD = 26.0;

    private const TRACK = 11.0;

    /** Between lines that leave by one edge, and how near to its ends. */
    private const PORT = 15.0;

    private const EDGE = 9.0;

    /** At corners that part of an edge which still counts as the corner. */
    private const CORNER = 0.14;

    private Chains $chains;

    /** @var list<list<int>> boxes and points of each row; every other row holds points only */
    private array $rows = [];

    /** @var array<int, float> */
    private array $x = [];

    /** @var list<float> the middle of each row, down */
    private array $y = [];

    /** @var array<string, int> the points between rows, by line and the row above */
    private array $between = [];

    /** @var array<int, int> the line of each point */
    private array $lineOf = [];

    /** @var array<string, float> where lines meet a box, across, by line and end */
    private array $ports = [];

    /** @var array<string, true> lines that leave or reach a box at its side, by line and end */
    private array $sides = [];

    /** @var array<int, Tracks> by the row above */
    private array $tracks = [];

    public readonly int $crossings;

    /**
     * @param  list<FlowBox>  $boxes
     * @param  list<FlowLine>  $lines  between two of these
     */
    private function __construct(private readonly array $boxes, private readonly array $lines)
    {
        $number = array_flip(array_map(fn (FlowBox $box): string => $box->id, $boxes));
        $ends = array_map(fn (FlowLine $line): array => [$number[$line->from], $number[$line->to]], $lines);
        $this->chains = new Chains($boxes, $ends, new Ranks(count($boxes), $ends));
        $order = new Order($this->chains);
        $this->crossings = $order->crossings;
        $this->rows($order);
        $this->across();
        $this->meet();
        $this->turn();
        $this->down();
    }

    /**
     * @param  list<FlowBox>  $boxes
     * @param  list<FlowLine>  $lines  between two different of these
     */
    public static function of(array $boxes, array $lines): FlowChart
    {
        if ($boxes === []) {
            return new FlowChart([], [], [], [0.0, 0.0, 0.0, 0.0]);
        }

        return (new self($boxes, $lines))->chart();
    }

    /** Puts a row of points after each row; words belong to the first of them on their way. */
    private function rows(Order $order): void
    {
        $next = count($this->chains->rank);
        foreach ($this->chains->chains as $n => $chain) {
            foreach (array_slice($chain, 1, -1) as $point) {
                $this->lineOf[$point] = $n;
            }
        }
        $at = [];
        foreach ($order->rows as $row) {
            foreach ($row as $place => $vertex) {
                $at[$vertex] = $place;
            }
        }
        for ($r = 0; $r <= $this->chains->last; $r++) {
            $this->rows[] = $order->rows[$r];
            $pieces = $this->chains->through[$r] ?? [];
            usort($pieces, fn (array $a, array $b): int => [$at[$a[1]], $at[$a[2]], $a[0]] <=> [$at[$b[1]], $at[$b[2]], $b[0]]);
            $points = [];
            foreach ($pieces as [$n]) {
                $points[] = $this->between["{$n} {$r}"] = $next;
                $this->lineOf[$next++] = $n;
            }
            $this->rows[] = $points;
        }
    }

    private function across(): void
    {
        $above = $below = $points = $reach = [];
        foreach ($this->chains->through as $r => $pieces) {
            foreach ($pieces as [$n, $upper, $lower]) {
                $point = $this->between["{$n} {$r}"];
                $below[$upper][] = $above[$lower][] = $point;
                [$above[$point], $below[$point]] = [[$upper], [$lower]];
            }
        }
        foreach ($this->rows as $row) {
            foreach ($row as $vertex) {
                $box = $this->boxes[$vertex] ?? null;
                if ($box !== null) {
                    $reach[$vertex] = [$box->before + self::BESIDE / 2, $box->after + self::BESIDE / 2];

                    continue;
                }
                $points[$vertex] = true;
                $wide = $this->wordsAt($vertex) === null ? 0.0 : $this->lines[$this->lineOf[$vertex]]->w / 2 + self::WORDS - self::LINE;
                $reach[$vertex] = [$wide + self::LINE, $wide + self::LINE];
            }
        }
        $this->x = (new Across($this->rows, $above, $below, $points, $reach))->places();
    }

    /** The line whose words stand at a point between rows; null where none do. */
    private function wordsAt(int $point): ?int
    {
        $n = $this->lineOf[$point] ?? null;

        return $n !== null && $this->lines[$n]->w > 0.0 && $this->wordPoint($n) === $point ? $n : null;
    }

    private function wordPoint(int $n): ?int
    {
        $chain = $this->chains->chains[$n];
        for ($i = 1, $count = count($chain); $i < $count; $i++) {
            [$a, $b] = [$this->chains->rank[$chain[$i - 1]], $this->chains->rank[$chain[$i]]];
            if ($a !== $b) {
                return $this->between[$n.' '.min($a, $b)];
            }
        }

        return null;
    }

    /** Where lines meet the boxes. */
    private function meet(): void
    {
        $under = $over = [];
        foreach ($this->chains->chains as $n => $chain) {
            $last = count($chain) - 1;
            foreach ([[0, 1, 'from'], [$last, $last - 1, 'to']] as [$at, $beside, $end]) {
                [$box, $next] = [$chain[$at], $chain[$beside]];
                $row = $this->chains->rank[$box];
                $to = $this->chains->rank[$next];
                $isOver = $to < $row || ($to === $row && $end === 'to');
                $x = $to === $row ? $this->x[$next] : $this->x[$this->between[$n.' '.min($row, $to)]];
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
        $row = $this->rows[2 * $this->chains->rank[$box]];
        $step = array_search($next, $row, true) - array_search($box, $row, true);
        $side = $step < 0 ? -1 : 1;
        if (abs($step) === 1 && ($side < 0 ? $one->isOpenBefore : $one->isOpenAfter) && ! isset($this->sides["{$box} {$side}"])) {
            $this->sides["{$box} {$side}"] = $this->sides["{$n} {$end}"] = true;
            $this->ports["{$n} {$end}"] = $this->x[$box] + $side * $one->w / 2;
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
        $row = $this->rows[2 * $this->chains->rank[$box]];
        $at = (int) array_search($box, $row, true);
        foreach ([[-1, $items[0]], [1, $items[count($items) - 1]]] as [$side, [$x, $n, $end, , $isTurn]]) {
            $isOpen = $side < 0 ? $one->isOpenBefore : $one->isOpenAfter;
            $beyond = $side * ($x - $this->x[$box]) - $one->w / 2;
            $beside = $row[$at + $side] ?? null;
            $free = $beside === null ? INF : $side * ($this->x[$beside] - $x) - ($side < 0 ? ($this->boxes[$beside]->after ?? 0.0) : ($this->boxes[$beside]->before ?? 0.0));
            if (! $isTurn && $isOpen && $beyond >= self::LINE && $free >= self::LINE && ! isset($this->sides["{$box} {$side}"])) {
                $this->sides["{$box} {$side}"] = $this->sides["{$n} {$end}"] = true;
                $this->ports["{$n} {$end}"] = $this->x[$box] + $side * $one->w / 2;
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
            $away = $x - $this->x[$box];
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
            $this->ports["{$n} {$end}"] = $this->x[$box] + ($count === 1 || $gap >= 2.0 ? round($wished[$i]) : $wished[$i]);
        }
    }

    /** Where a line is, across, at one of the boxes or points of its chain. */
    private function xOf(int $n, int $vertex): float
    {
        if (isset($this->lineOf[$vertex])) {
            return $this->x[$vertex];
        }
        $end = $this->chains->chains[$n][0] === $vertex ? 'from' : 'to';
        if (! isset($this->sides["{$n} {$end}"])) {
            return $this->ports["{$n} {$end}"];
        }
        // From the side it comes straight to where it goes on.
        $chain = $this->chains->chains[$n];
        $next = $end === 'from' ? $chain[1] : $chain[count($chain) - 2];
        [$a, $b] = [$this->chains->rank[$vertex], $this->chains->rank[$next]];

        return $a === $b ? $this->x[$next] : $this->x[$this->between[$n.' '.min($a, $b)]];
    }

    /** Gives what leads across its track. */
    private function turn(): void
    {
        for ($r = -1; $r <= $this->chains->last; $r++) {
            $first = $second = $under = $over = [];
            $this->part($r);
            foreach ($this->chains->through[$r] ?? [] as [$n, $upper, $lower]) {
                $x = $this->x[$this->between["{$n} {$r}"]];
                $first[$n] = [$this->xOf($n, $upper), $x];
                $second[$n] = [$x, $this->xOf($n, $lower)];
            }
            foreach ($this->chains->under[$r] ?? [] as [$n, $box, $point]) {
                if (! isset($this->sides["{$n} from"])) {
                    $under[$n] = [$this->xOf($n, $box), $this->x[$point]];
                }
            }
            foreach ($this->chains->over[$r + 1] ?? [] as [$n, $point, $box]) {
                if (! isset($this->sides["{$n} to"])) {
                    $over[$n] = [$this->x[$point], $this->xOf($n, $box)];
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
        foreach ($this->chains->through[$r] ?? [] as [$n, , $lower]) {
            $point = $this->between["{$n} {$r}"];
            $run = [$this->x[$point], $this->xOf($n, $lower)];
            foreach ($runs as [$from, $to]) {
                if (abs($from - $run[1]) < self::LINE / 2 && abs($to - $run[0]) < self::LINE / 2 && abs($from - $to) > 0.5) {
                    $this->x[$point] += self::LINE * 0.7;
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
        foreach ($this->rows as $row) {
            [$above, $below] = [0.0, 0.0];
            foreach ($row as $vertex) {
                $box = $this->boxes[$vertex] ?? null;
                $words = $box === null && ($n = $this->wordsAt($vertex)) !== null ? $this->lines[$n]->h / 2 + 2.0 : 0.0;
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
        foreach ($this->rows[$k] ?? [] as $vertex) {
            $box = $this->boxes[$vertex] ?? null;
            $below = max($below, $box->below ?? ($this->wordsAt($vertex) !== null ? $this->lines[$this->lineOf[$vertex]]->h / 2 + 2.0 : 0.0));
        }

        return ($this->y[$k] ?? 0.0) + $below;
    }

    private function trackAt(int $k, int $track): float
    {
        if ($k < 0) {
            $head = 0.0;
            foreach ($this->rows[0] as $vertex) {
                $head = max($head, $this->boxes[$vertex]->above ?? 0.0);
            }

            return $this->y[0] - $head - self::HEAD - (($this->tracks[$k]->count - 1) - $track) * self::TRACK;
        }

        return $this->foot($k) + ($k % 2 === 0 ? self::OUT : 0.0) + $track * self::TRACK;
    }

    private function chart(): FlowChart
    {
        $places = $ways = $words = [];
        [$left, $top, $right, $bottom] = [INF, INF, -INF, -INF];
        foreach ($this->boxes as $n => $box) {
            $places[$box->id] = [$x, $y] = [$this->x[$n], $this->y[2 * $this->chains->rank[$n]]];
            [$left, $top, $right, $bottom] = [min($left, $x - $box->before), min($top, $y - $box->above), max($right, $x + $box->after), max($bottom, $y + $box->below)];
        }
        foreach ($this->lines as $n => $line) {
            $ways[$line->id] = $way = $this->way($n);
            foreach ($way as [$x, $y]) {
                [$left, $top, $right, $bottom] = [min($left, $x), min($top, $y), max($right, $x), max($bottom, $y)];
            }
            $point = $line->w > 0.0 ? $this->wordPoint($n) : null;
            if ($point !== null) {
                [$x, $y] = $words[$line->id] = [$this->x[$point], $this->y[2 * $this->rowOf($n, $point) + 1]];
                [$left, $right] = [min($left, $x - $line->w / 2), max($right, $x + $line->w / 2)];
            }
        }

        return new FlowChart($places, $ways, $words, [$left, $top, $right, $bottom]);
    }

    private function rowOf(int $n, int $point): int
    {
        foreach (range(0, $this->chains->last) as $r) {
            if (($this->between["{$n} {$r}"] ?? null) === $point) {
                return $r;
            }
        }

        return 0;
    }

    /** @return non-empty-list<Point> */
    private function way(int $n): array
    {
        $chain = $this->chains->chains[$n];
        $points = [];
        $last = count($chain) - 1;
        for ($i = 0; $i < $last; $i++) {
            [$a, $b] = [$chain[$i], $chain[$i + 1]];
            [$ra, $rb] = [$this->chains->rank[$a], $this->chains->rank[$b]];
            if ($i === 0) {
                array_push($points, ...$this->meeting($n, $a, 'from', $ra <= $rb));
            }
            if ($ra === $rb) {
                $isOver = isset($this->tracks[2 * $ra - 1]->over[$n]);
                $track = $isOver ? $this->tracks[2 * $ra - 1]->over[$n] : $this->tracks[2 * $ra]->under[$n] ?? null;
                if ($track !== null) {
                    $y = $this->trackAt($isOver ? 2 * $ra - 1 : 2 * $ra, $track);
                    array_push($points, [$this->xOf($n, $a), $y], [$this->xOf($n, $b), $y]);
                }
            } else {
                $across = $this->passing($n, min($ra, $rb), $ra < $rb ? $a : $b, $ra < $rb ? $b : $a);
                array_push($points, ...$ra < $rb ? $across : array_reverse($across));
            }
            if ($i === $last - 1) {
                array_push($points, ...array_reverse($this->meeting($n, $b, 'to', $rb < $ra)));
            }
        }

        return self::straightened($points);
    }

    /**
     * Where a line leaves its box.
     *
     * @return non-empty-list<Point>
     */
    private function meeting(int $n, int $box, string $end, bool $isBelow): array
    {
        $y = $this->y[2 * $this->chains->rank[$box]];
        $port = $this->ports["{$n} {$end}"];
        if (isset($this->sides["{$n} {$end}"])) {
            return [[$port, $y], [$this->xOf($n, $box), $y]];
        }

        return [[$port, $y + ($isBelow ? 1 : -1) * $this->boxes[$box]->h / 2]];
    }

    /** @return list<Point> how a line goes from one row to the next, downwards */
    private function passing(int $n, int $r, int $upper, int $lower): array
    {
        $middle = $this->x[$this->between["{$n} {$r}"]];
        $points = [];
        foreach ([[2 * $r, $this->xOf($n, $upper), $middle], [2 * $r + 1, $middle, $this->xOf($n, $lower)]] as [$k, $from, $to]) {
            $track = $this->tracks[$k]->of[$n] ?? -1;
            if ($track >= 0) {
                $y = $this->trackAt($k, $track);
                array_push($points, [$from, $y], [$to, $y]);
            }
        }

        return $points;
    }

    /**
     * @param  list<Point>  $points
     * @return non-empty-list<Point>
     */
    private static function straightened(array $points): array
    {
        $kept = [];
        foreach ($points as $point) {
            $count = count($kept);
            if ($count > 0 && abs($kept[$count - 1][0] - $point[0]) < 0.05 && abs($kept[$count - 1][1] - $point[1]) < 0.05) {
                continue;
            }
            if ($count > 1 && ((abs($kept[$count - 2][0] - $point[0]) < 0.05 && abs($kept[$count - 1][0] - $point[0]) < 0.05) || (abs($kept[$count - 2][1] - $point[1]) < 0.05 && abs($kept[$count - 1][1] - $point[1]) < 0.05))) {
                array_pop($kept);
            }
            $kept[] = $point;
        }

        return $kept === [] ? [[0.0, 0.0]] : $kept;
    }
}
