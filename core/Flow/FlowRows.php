<?php

declare(strict_types=1);

namespace ChalkTree\Flow;

/**
 * The rows of a chart and where across things stand in them: every row of boxes is followed by one in which every line has
 * a point, where its words stand.
 */
final class FlowRows
{
    /** Between lines. */
    public const LINE = 9.0;

    /** Between boxes side by side. */
    private const BESIDE = 30.0;

    /** Between words and what is beside them. */
    private const WORDS = 9.0;

    /** @var list<list<int>> boxes and points of each row; every other row holds points only */
    public array $rows = [];

    /** @var array<int, float> the middle of each box and point, across */
    public array $x = [];

    /** @var array<string, int> the points between rows, by line and the row above */
    public array $between = [];

    /** @var array<int, int> the line of each point */
    public array $lineOf = [];

    /**
     * @param  list<FlowBox>  $boxes
     * @param  list<FlowLine>  $lines
     */
    public function __construct(private readonly array $boxes, private readonly array $lines, public readonly Chains $chains, Order $order)
    {
        $this->rows($order);
        $this->across();
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
    public function wordsAt(int $point): ?int
    {
        $n = $this->lineOf[$point] ?? null;

        return $n !== null && $this->lines[$n]->w > 0.0 && $this->wordPoint($n) === $point ? $n : null;
    }

    /** The point at which the words of a line stand, the first on its way. */
    public function wordPoint(int $n): ?int
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

    /** The row of boxes above a point between rows. */
    public function rowOf(int $n, int $point): int
    {
        foreach (range(0, $this->chains->last) as $r) {
            if (($this->between["{$n} {$r}"] ?? null) === $point) {
                return $r;
            }
        }

        return 0;
    }
}
