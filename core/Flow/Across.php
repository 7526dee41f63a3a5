<?php

declare(strict_types=1);

namespace ChalkTree\Flow;

/**
 * Where boxes and points stand across, so that lines run straight down as far as they can, by the method of Brandes and
 * Köpf (2001): each is brought in line with the middle one of its neighbours, once from above and once from below, from
 * the left and from the right; of the four places so found it takes the mean of the two in the middle.
 */
final class Across
{
    /** @var array<int, int> */
    private array $at = [];

    /** @var array<int, array<int, true>> pieces, by both ends, that must give way to lines that are to run straight */
    private array $yields = [];

    /**
     * @param  list<list<int>>  $rows  in order
     * @param  array<int, list<int>>  $above  those in the row above to which each is tied
     * @param  array<int, list<int>>  $below
     * @param  array<int, true>  $points  those that are points of lines, which are to run straight
     * @param  array<int, array{float, float}>  $reach  how far each reaches to the left and to the right, with the gap
     */
    public function __construct(private readonly array $rows, private readonly array $above, private readonly array $below, private readonly array $points, private readonly array $reach)
    {
        foreach ($rows as $row) {
            foreach ($row as $at => $vertex) {
                $this->at[$vertex] = $at;
            }
        }
    }

    /** @return array<int, float> */
    public function places(): array
    {
        $this->findYielding();
        $found = [];
        foreach ([true, false] as $isDown) {
            foreach ([true, false] as $isLeft) {
                $rows = $isDown ? $this->rows : array_reverse($this->rows);
                if (! $isLeft) {
                    $rows = array_map(array_reverse(...), $rows);
                }
                $places = $this->compacted($rows, $this->aligned($rows, $isDown ? $this->above : $this->below, $isLeft), $isLeft);
                $found[] = [$places, $isLeft];
            }
        }

        return self::balanced($found);
    }

    /** Pieces that cross one between two points of a line. */
    private function findYielding(): void
    {
        for ($n = 1, $count = count($this->rows); $n < $count; $n++) {
            $straight = $others = [];
            foreach ($this->rows[$n] as $lower) {
                foreach ($this->above[$lower] ?? [] as $upper) {
                    if (isset($this->points[$upper], $this->points[$lower])) {
                        $straight[] = [$upper, $lower];
                    } else {
                        $others[] = [$upper, $lower];
                    }
                }
            }
            foreach ($others as [$a, $b]) {
                foreach ($straight as [$c, $d]) {
                    if (($this->at[$a] - $this->at[$c]) * ($this->at[$b] - $this->at[$d]) < 0) {
                        $this->yields[$a][$b] = $this->yields[$b][$a] = true;
                        break;
                    }
                }
            }
        }
    }

    /**
     * @param  list<list<int>>  $rows
     * @param  array<int, list<int>>  $tied  to those in the row before
     * @return array<int, int> the first of those that each is in line with
     */
    private function aligned(array $rows, array $tied, bool $isLeft): array
    {
        $root = $next = [];
        foreach ($rows as $row) {
            foreach ($row as $vertex) {
                $root[$vertex] = $next[$vertex] = $vertex;
            }
        }
        $sign = $isLeft ? 1 : -1;
        foreach ($rows as $row) {
            $reached = -INF;
            foreach ($row as $vertex) {
                $near = $tied[$vertex] ?? [];
                usort($near, fn (int $a, int $b): int => $sign * ($this->at[$a] <=> $this->at[$b]));
                $middle = (count($near) - 1) / 2;
                for ($i = (int) floor($middle), $last = (int) ceil($middle); $near !== [] && $i <= $last; $i++) {
                    $one = $near[$i];
                    $at = $sign * $this->at[$one];
                    if ($next[$vertex] === $vertex && $reached < $at && ! isset($this->yields[$vertex][$one])) {
                        $next[$one] = $vertex;
                        $next[$vertex] = $root[$vertex] = $root[$one];
                        $reached = $at;
                    }
                }
            }
        }

        return $root;
    }

    /**
     * As near together as the gaps allow.
     *
     * @param  list<list<int>>  $rows
     * @param  array<int, int>  $root
     * @return array<int, float>
     */
    private function compacted(array $rows, array $root, bool $isLeft): array
    {
        [$far, $near] = $isLeft ? [1, 0] : [0, 1];
        $after = $before = $waits = [];
        foreach ($rows as $row) {
            for ($i = 1, $count = count($row); $i < $count; $i++) {
                [$a, $b] = [$root[$row[$i - 1]], $root[$row[$i]]];
                $gap = $this->reach[$row[$i - 1]][$far] + $this->reach[$row[$i]][$near];
                $after[$a][$b] = max($after[$a][$b] ?? 0.0, $gap);
                $before[$b][$a] = $after[$a][$b];
            }
        }
        $heads = array_values(array_unique($root));
        foreach ($heads as $head) {
            $waits[$head] = count($before[$head] ?? []);
        }
        $free = array_values(array_filter($heads, fn (int $head): bool => $waits[$head] === 0));
        $order = $places = [];
        while (($head = array_pop($free)) !== null) {
            $order[] = $head;
            $places[$head] = 0.0;
            foreach ($before[$head] ?? [] as $one => $gap) {
                $places[$head] = max($places[$head], $places[$one] + $gap);
            }
            foreach ($after[$head] ?? [] as $one => $_) {
                if (--$waits[$one] === 0) {
                    $free[] = $one;
                }
            }
        }
        // And back towards what they stand before.
        foreach (array_reverse($order) as $head) {
            $most = INF;
            foreach ($after[$head] ?? [] as $one => $gap) {
                $most = min($most, $places[$one] - $gap);
            }
            if ($most < INF) {
                $places[$head] = max($places[$head], $most);
            }
        }

        return array_map(fn (int $head): float => $isLeft ? $places[$head] : -$places[$head], $root);
    }

    /**
     * @param  list<array{array<int, float>, bool}>  $found  and whether they were found from the left
     * @return array<int, float>
     */
    private static function balanced(array $found): array
    {
        $narrowest = null;
        foreach ($found as [$places]) {
            $wide = $places === [] ? 0.0 : max($places) - min($places);
            $narrowest = $narrowest === null || $wide < $narrowest[0] ? [$wide, $places] : $narrowest;
        }
        if ($narrowest === null || $narrowest[1] === []) {
            return [];
        }
        [$least, $most] = [min($narrowest[1]), max($narrowest[1])];
        $moved = [];
        foreach ($found as [$places, $isLeft]) {
            if ($places === []) {
                continue;
            }
            $by = $isLeft ? $least - min($places) : $most - max($places);
            $moved[] = array_map(fn (float $place): float => $place + $by, $places);
        }
        $all = [];
        foreach (array_keys($moved[0] ?? []) as $vertex) {
            $four = array_column($moved, $vertex);
            sort($four);
            $all[$vertex] = round(($four[1] + $four[2]) / 2);
        }

        return $all;
    }
}
