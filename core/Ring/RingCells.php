<?php

declare(strict_types=1);

namespace ChalkTree\Ring;

/**
 * A rectangle out of which others are cut, as cells between all their edges; some of it is kept whatever is cut.
 *
 * @phpstan-import-type Rect from RingOutline
 * @phpstan-import-type Loop from RingOutline
 */
final class RingCells
{
    /** @var list<float> */
    private array $xs;

    /** @var list<float> */
    private array $ys;

    /** @var array<int, array<int, bool>> those that are inside, by column and row */
    private array $inside = [];

    private int $pieces = 0;

    /**
     * @param  Rect  $all
     * @param  list<Rect>  $cuts
     * @param  list<Rect>  $kept
     */
    public function __construct(array $all, array $cuts, private readonly array $kept)
    {
        $this->xs = self::edges([$all, ...$cuts, ...$kept], 0, $all);
        $this->ys = self::edges([$all, ...$cuts, ...$kept], 1, $all);
        [$columns, $rows] = [array_flip(array_map(strval(...), $this->xs)), array_flip(array_map(strval(...), $this->ys))];
        $this->inside = array_fill(0, count($this->xs) - 1, array_fill(0, count($this->ys) - 1, true));
        foreach ([false, true] as $isKept) {
            foreach ($isKept ? $kept : $cuts as $box) {
                [$left, $right] = [$columns[self::within($box[0], $all, 0)] ?? 0, $columns[self::within($box[2], $all, 0)] ?? 0];
                [$top, $bottom] = [$rows[self::within($box[1], $all, 1)] ?? 0, $rows[self::within($box[3], $all, 1)] ?? 0];
                for ($i = $left; $i < $right; $i++) {
                    for ($j = $top; $j < $bottom; $j++) {
                        if ($isKept) {
                            $this->inside[$i][$j] = true;
                        } else {
                            unset($this->inside[$i][$j]);
                        }
                    }
                }
            }
        }
        $this->leaveCutOff();
    }

    /**
     * @param  list<Rect>  $boxes
     * @param  Rect  $all
     * @return list<float> their edges within the whole, in order
     */
    private static function edges(array $boxes, int $axis, array $all): array
    {
        $edges = [];
        foreach ($boxes as $box) {
            foreach ([$box[$axis], $box[$axis + 2]] as $at) {
                $key = self::within($at, $all, $axis);
                $edges[$key] = (float) $key;
            }
        }
        sort($edges);

        return $edges;
    }

    /**
     * A coordinate within the whole, so that the same are the same.
     *
     * @param  Rect  $all
     */
    private static function within(float $at, array $all, int $axis): string
    {
        return (string) round(max($all[$axis], min($all[$axis + 2], $at)), 2);
    }

    /** Whether one can go from any of what is kept to any other without leaving it. */
    public function isOnePiece(): bool
    {
        return $this->pieces === 1;
    }

    /** Leaves out what is cut off from all that is kept, and counts the pieces. */
    private function leaveCutOff(): void
    {
        $seen = [];
        foreach ($this->kept as $box) {
            [$i, $j] = $this->cellAt(($box[0] + $box[2]) / 2, ($box[1] + $box[3]) / 2);
            if (isset($seen[$i][$j])) {
                continue;
            }
            $this->pieces++;
            $seen[$i][$j] = true;
            $waiting = [[$i, $j]];
            while (($next = array_pop($waiting)) !== null) {
                [$i, $j] = $next;
                foreach ([[$i - 1, $j], [$i + 1, $j], [$i, $j - 1], [$i, $j + 1]] as [$a, $b]) {
                    if (isset($this->inside[$a][$b]) && ! isset($seen[$a][$b])) {
                        $seen[$a][$b] = true;
                        $waiting[] = [$a, $b];
                    }
                }
            }
        }
        $this->inside = $seen;
    }

    /** @return array{int, int} */
    private function cellAt(float $x, float $y): array
    {
        $at = fn (array $edges, float $where): int => max(0, count(array_filter($edges, fn (float $edge): bool => $edge <= $where)) - 1);

        return [$at($this->xs, $x), $at($this->ys, $y)];
    }

    /** @return non-empty-list<Loop> around all that is inside, which lies to the right of who walks along */
    public function loops(): array
    {
        $next = [];
        foreach ($this->inside as $i => $rows) {
            foreach (array_keys($rows) as $j) {
                foreach ([[0, -1, $i, $j, $i + 1, $j], [1, 0, $i + 1, $j, $i + 1, $j + 1], [0, 1, $i + 1, $j + 1, $i, $j + 1], [-1, 0, $i, $j + 1, $i, $j]] as [$dx, $dy, $a, $b, $c, $d]) {
                    if (! isset($this->inside[$i + $dx][$j + $dy])) {
                        $next["{$a} {$b}"][] = [$c, $d];
                    }
                }
            }
        }
        $loops = [];
        while ($next !== []) {
            $key = (string) array_key_first($next);
            [$a, $b] = array_map(intval(...), explode(' ', $key));
            $loop = [];
            $from = null;
            do {
                $loop[] = [$a, $b];
                $ways = $next["{$a} {$b}"];
                // Where two corners meet, so that neither loop crosses: sharply to the right.
                $which = 0;
                if (count($ways) > 1 && $from !== null) {
                    $turn = fn (array $to): int => ($a - $from[0]) * ($to[1] - $b) - ($b - $from[1]) * ($to[0] - $a);
                    $which = $turn($ways[0]) >= $turn($ways[1]) ? 0 : 1;
                }
                $to = $ways[$which];
                unset($ways[$which]);
                if ($ways === []) {
                    unset($next["{$a} {$b}"]);
                } else {
                    $next["{$a} {$b}"] = array_values($ways);
                }
                [$from, [$a, $b]] = [[$a, $b], $to];
            } while ("{$a} {$b}" !== $key || (isset($next[$key]) && count($loop) < 4));
            $loops[] = $this->corners($loop);
        }

        return $loops === [] ? [[[0.0, 0.0]]] : $loops;
    }

    /**
     * @param  non-empty-list<array{int, int}>  $loop
     * @return Loop without the points on straight parts
     */
    private function corners(array $loop): array
    {
        $corners = [];
        $count = count($loop);
        foreach ($loop as $n => [$i, $j]) {
            [[$pi, $pj], [$ni, $nj]] = [$loop[($n + $count - 1) % $count], $loop[($n + 1) % $count]];
            if (! (($pi === $i && $ni === $i) || ($pj === $j && $nj === $j))) {
                $corners[] = [$this->xs[$i], $this->ys[$j]];
            }
        }

        return $corners === [] ? [[0.0, 0.0]] : $corners;
    }
}
