<?php

declare(strict_types=1);

namespace ChalkTree\Route;

use SplPriorityQueue;

/**
 * Finds the way of a line that runs only across and down, with few corners, around all boxes but its own: along a grid
 * of the lines that boxes and ends suggest, by A* over places and directions. Obstacles are taken in as ways turn out to
 * cross them.
 *
 * @phpstan-import-type Rect from \ChalkTree\Arrange\Ground
 * @phpstan-import-type Way from WayFinder
 */
final class CornerFinder
{
    private const CLEAR = [9.0, 2.6];

    private const OUT = 12.0;

    private const CORNER = 34.0;

    private const LONGEST = [2.6, 260.0];

    /** Where lines with two corners cross over, the best first. */
    private const LANES = [0.5, 0.3, 0.7, 0.15, 0.85];

    /** Rather a good way soon than the best one: by so much more counts what is left. */
    private const HASTE = 1.6;

    private const MOST = 26;

    public function __construct(private readonly Surroundings $around)
    {
    }

    /**
     * @param  non-empty-list<Port>  $from
     * @param  non-empty-list<Port>  $to
     * @param  array<string, true>  $own  the ids of the boxes at both ends
     * @return Way|null  null where there is none of a reasonable length
     */
    public function find(array $from, array $to, array $own): ?array
    {
        [$from, $to] = [WayFinder::facing($from, $to[0]), WayFinder::facing($to, $from[0])];
        $simple = $this->simple($from, $to, $own);
        if ($simple !== null) {
            return $simple;
        }
        foreach (self::CLEAR as $clear) {
            $known = [];
            foreach ([...$from, ...$to] as $port) {
                $known += array_intersect_key($this->around->boxesOn($port->x, $port->y, $port->x, $port->y, Port::AWAY + 1), $own);
            }
            while (count($known) <= self::MOST) {
                $way = self::along($from, $to, $own, $known, $clear);
                if ($way === null) {
                    break;
                }
                $hits = [];
                foreach ($way['points'] as $n => [$x, $y]) {
                    if ($n > 1 && $n < count($way['points']) - 1) {
                        $hits += array_diff_key($this->around->boxesOn($way['points'][$n - 1][0], $way['points'][$n - 1][1], $x, $y, $clear - 0.6), $known, $own);
                    }
                }
                if ($hits === []) {
                    return $way;
                }
                $known += $hits;
            }
        }

        return null;
    }

    /**
     * With one corner, or with two half way across, where nothing is in the way: as most are.
     *
     * @param  non-empty-list<Port>  $from
     * @param  non-empty-list<Port>  $to
     * @param  array<string, true>  $own
     * @return Way|null  null where none of these is free
     */
    private function simple(array $from, array $to, array $own): ?array
    {
        $tries = $costs = [];
        foreach ($from as $a) {
            foreach ($to as $b) {
                [$isAcross, $endsAcross] = [$a->nx !== 0.0, $b->nx !== 0.0];
                $corner = $isAcross ? [$b->x, $a->y] : [$a->x, $b->y];
                $parts = match (true) {
                    $isAcross !== $endsAcross => [[$corner]],
                    $isAcross => array_map(fn (float $part): array => [[$a->x + ($b->x - $a->x) * $part, $a->y], [$a->x + ($b->x - $a->x) * $part, $b->y]], self::LANES),
                    default => array_map(fn (float $part): array => [[$a->x, $a->y + ($b->y - $a->y) * $part], [$b->x, $a->y + ($b->y - $a->y) * $part]], self::LANES),
                };
                foreach ($parts as $n => $corners) {
                    $points = [[$a->x, $a->y], ...$corners, [$b->x, $b->y]];
                    $last = $corners[count($corners) - 1];
                    // It leaves and comes in straight, with a little way before it turns.
                    if (($corners[0][0] - $a->x) * $a->nx + ($corners[0][1] - $a->y) * $a->ny < self::OUT || ($last[0] - $b->x) * $b->nx + ($last[1] - $b->y) * $b->ny < self::OUT) {
                        continue;
                    }
                    $tries[] = ['points' => $points, 'from' => $a, 'to' => $b, 'isClear' => true];
                    $costs[] = abs($b->x - $a->x) + abs($b->y - $a->y) + $a->cost + $b->cost + count($corners) * self::CORNER + $n;
                }
            }
        }
        asort($costs);
        foreach (array_keys($costs) as $n) {
            $isFree = true;
            for ($i = 1, $count = count($tries[$n]['points']); $isFree && $i < $count; $i++) {
                [[$x0, $y0], [$x1, $y1]] = [$tries[$n]['points'][$i - 1], $tries[$n]['points'][$i]];
                $isFree = array_diff_key($this->around->boxesOn($x0, $y0, $x1, $y1, self::CLEAR[1]), $own) === [];
            }
            if ($isFree) {
                return $tries[$n];
            }
        }

        return null;
    }

    /**
     * @param  non-empty-list<Port>  $from
     * @param  non-empty-list<Port>  $to
     * @param  array<string, true>  $own
     * @param  array<string, Rect>  $known
     * @return Way|null
     */
    private static function along(array $from, array $to, array $own, array $known, float $clear): ?array
    {
        $xs = $ys = $goals = [];
        $starts = array_map(fn (Port $port): Port => $port->out(self::OUT), $from);
        foreach ($known as [$left, $top, $right, $bottom]) {
            array_push($xs, $left - $clear - 1, $right + $clear + 1);
            array_push($ys, $top - $clear - 1, $bottom + $clear + 1);
        }
        foreach ([...$starts, ...array_map(fn (Port $port): Port => $port->out(self::OUT), $to)] as $port) {
            $xs[] = $port->x;
            $ys[] = $port->y;
        }
        $xs[] = ($from[0]->x + $to[0]->x) / 2;
        $ys[] = ($from[0]->y + $to[0]->y) / 2;
        [$xs, $ys] = [self::sorted($xs), self::sorted($ys)];
        $shut = self::shut($known, $own, $clear, $xs, $ys);
        $places = [array_flip(array_map(strval(...), $xs)), array_flip(array_map(strval(...), $ys))];
        $at = fn (float $value, int $axis): int => $places[$axis][(string) round($value, 1)] ?? 0;
        foreach ($to as $j => $port) {
            $out = $port->out(self::OUT);
            $goals[$at($out->x, 0) * 4096 + $at($out->y, 1)][] = $j;
        }
        $longest = self::LONGEST[0] * (abs($from[0]->x - $to[0]->x) + abs($from[0]->y - $to[0]->y)) + self::LONGEST[1];
        [$gx, $gy] = [$to[0]->x, $to[0]->y];
        $slack = max(array_map(fn (Port $port): float => abs($port->x - $gx) + abs($port->y - $gy), $to)) + self::OUT;
        $queue = new SplPriorityQueue;
        $best = $before = $begun = [];
        foreach ($starts as $i => $port) {
            // Directions: 0 right, 1 down, 2 left, 3 up.
            $direction = $port->nx > 0 ? 0 : ($port->ny > 0 ? 1 : ($port->nx < 0 ? 2 : 3));
            $state = ($at($port->x, 0) * 4096 + $at($port->y, 1)) * 4 + $direction;
            if (! isset($best[$state]) || $best[$state] > $port->cost) {
                $best[$state] = $port->cost;
                $begun[$state] = $i;
                $queue->insert([$state, $port->cost], -$port->cost);
            }
        }
        $done = [];
        while (! $queue->isEmpty()) {
            [$state, $cost] = $queue->extract();
            if (isset($done[$state])) {
                continue;
            }
            $done[$state] = true;
            $direction = $state % 4;
            $cell = intdiv($state, 4);
            [$i, $j] = [intdiv($cell, 4096), $cell % 4096];
            foreach ($goals[$cell] ?? [] as $goal) {
                // It must come in straight.
                $port = $to[$goal];
                if ([-$port->nx, -$port->ny] == [[1, 0], [0, 1], [-1, 0], [0, -1]][$direction]) {
                    return self::way($state, $before, $begun, $from, $port, $xs, $ys);
                }
            }
            foreach ([0, 1, 2, 3] as $turn) {
                [$ni, $nj] = [$i + [1, 0, -1, 0][$turn], $j + [0, 1, 0, -1][$turn]];
                if (($turn + 2) % 4 === $direction || ! isset($xs[$ni], $ys[$nj])) {
                    continue;
                }
                $next = ($ni * 4096 + $nj) * 4 + $turn;
                $new = $cost + abs($xs[$ni] - $xs[$i]) + abs($ys[$nj] - $ys[$j]) + ($turn === $direction ? 0.0 : self::CORNER);
                foreach ($goals[$ni * 4096 + $nj] ?? [] as $goal) {
                    $new += $to[$goal]->cost / count($goals[$ni * 4096 + $nj]);
                }
                $left = max(0.0, abs($gx - $xs[$ni]) + abs($gy - $ys[$nj]) - $slack);
                if (isset($done[$next]) || $new >= ($best[$next] ?? INF) || $new + $left > $longest) {
                    continue;
                }
                if (isset($shut[(min($i, $ni) * 4096 + min($j, $nj)) * 2 + ($turn & 1)])) {
                    continue;
                }
                $best[$next] = $new;
                $before[$next] = $state;
                $queue->insert([$next, $new], -$new - self::HASTE * $left);
            }
        }

        return null;
    }

    /**
     * The pieces of the grid that go through boxes.
     *
     * @param  array<string, Rect>  $known
     * @param  array<string, true>  $own
     * @param  list<float>  $xs
     * @param  list<float>  $ys
     * @return array<int, true> by the place where they begin, and whether they run down
     */
    private static function shut(array $known, array $own, float $clear, array $xs, array $ys): array
    {
        $shut = [];
        foreach ($known as $id => [$left, $top, $right, $bottom]) {
            $near = isset($own[$id]) ? 2.0 : $clear - 0.5;
            [$left, $top, $right, $bottom] = [$left - $near, $top - $near, $right + $near, $bottom + $near];
            foreach ($xs as $i => $x) {
                if ($x >= $right) {
                    break;
                }
                if (($xs[$i + 1] ?? $x) <= $left) {
                    continue;
                }
                foreach ($ys as $j => $y) {
                    if ($y >= $bottom) {
                        break;
                    }
                    if ($y > $top && isset($xs[$i + 1])) {
                        $shut[($i * 4096 + $j) * 2] = true;
                    }
                    if ($x > $left && isset($ys[$j + 1]) && $ys[$j + 1] > $top) {
                        $shut[($i * 4096 + $j) * 2 + 1] = true;
                    }
                }
            }
        }

        return $shut;
    }

    /**
     * @param  list<float>  $line
     * @return list<float>
     */
    private static function sorted(array $line): array
    {
        $line = array_unique(array_map(fn (float $value): float => round($value, 1), $line));
        sort($line);

        return $line;
    }

    /**
     * @param  array<int, int>  $before
     * @param  array<int, int>  $begun
     * @param  non-empty-list<Port>  $from
     * @param  list<float>  $xs
     * @param  list<float>  $ys
     * @return Way
     */
    private static function way(int $state, array $before, array $begun, array $from, Port $to, array $xs, array $ys): array
    {
        $points = [[$to->x, $to->y]];
        for ($at = $state; ; $at = $before[$at]) {
            $cell = intdiv($at, 4);
            array_unshift($points, [$xs[intdiv($cell, 4096)], $ys[$cell % 4096]]);
            if (! isset($before[$at])) {
                break;
            }
        }
        $port = $from[$begun[$at]];
        array_unshift($points, [$port->x, $port->y]);
        // The grid is rounded; the ends are not.
        $last = count($points) - 1;
        $points[1] = $port->nx !== 0.0 ? [$points[1][0], $port->y] : [$port->x, $points[1][1]];
        $points[$last - 1] = $to->nx !== 0.0 ? [$points[$last - 1][0], $to->y] : [$to->x, $points[$last - 1][1]];

        return ['points' => $points, 'from' => $port, 'to' => $to, 'isClear' => true];
    }
}
