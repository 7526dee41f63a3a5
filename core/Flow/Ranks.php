<?php

declare(strict_types=1);

namespace ChalkTree\Flow;

/**
 * In which row each box stands: below all that leads to it. Lines that lead back to where one has been are loops, and
 * decide nothing; which they are follows from where the chart begins and from the order of its boxes.
 */
final class Ranks
{
    /** Rounds of drawing boxes nearer to what they are tied to. */
    private const ROUNDS = 12;

    /** @var array<int, int> the row of each box, from 0 */
    public array $of = [];

    /** @var array<int, true> the lines that lead back, by their number */
    public array $loops = [];

    /** @var list<list<int>> the numbers of the lines that leave each box */
    private array $out = [];

    /** @var list<list<int>> and of those that come to it */
    private array $in = [];

    /** @param  list<array{int, int}>  $lines  from and to, by the numbers of the boxes */
    public function __construct(int $count, private readonly array $lines)
    {
        $this->out = $this->in = array_fill(0, $count, []);
        foreach ($lines as $n => [$from, $to]) {
            $this->out[$from][] = $n;
            $this->in[$to][] = $n;
        }
        $order = $this->walked($count);
        $this->of = array_fill(0, $count, 0);
        foreach ($order as $box) {
            foreach ($this->ahead($this->out[$box]) as $n) {
                $to = $lines[$n][1];
                $this->of[$to] = max($this->of[$to], $this->of[$box] + 1);
            }
        }
        $this->draw($order);
    }

    /**
     * Goes along all lines, those boxes first to which none leads, and so finds the loops.
     *
     * @return list<int> the boxes, each after all that lead to it but by loops
     */
    private function walked(int $count): array
    {
        $starts = array_filter(range(0, max(0, $count - 1)), fn (int $box): bool => isset($this->in[$box]) && $this->in[$box] === []);
        $done = $open = $order = [];
        foreach ($count === 0 ? [] : [...$starts, ...range(0, $count - 1)] as $start) {
            $stack = isset($done[$start]) ? [] : [[$start, 0]];
            while ($stack !== []) {
                [$box, $next] = array_pop($stack);
                $open[$box] = true;
                $n = $this->out[$box][$next] ?? null;
                if ($n === null) {
                    unset($open[$box]);
                    $done[$box] = true;
                    $order[] = $box;

                    continue;
                }
                $stack[] = [$box, $next + 1];
                $to = $this->lines[$n][1];
                if (isset($open[$to])) {
                    $this->loops[$n] = true;
                } elseif (! isset($done[$to])) {
                    $stack[] = [$to, 0];
                }
            }
        }

        return array_reverse($order);
    }

    /**
     * @param  list<int>  $lines
     * @return list<int> those that are no loops
     */
    private function ahead(array $lines): array
    {
        return array_values(array_filter($lines, fn (int $n): bool => ! isset($this->loops[$n])));
    }

    /**
     * Draws boxes towards where more of their lines lead, so that lines come to be short.
     *
     * @param  list<int>  $order
     */
    private function draw(array $order): void
    {
        for ($round = 0; $round < self::ROUNDS; $round++) {
            $isMoved = false;
            foreach ($round % 2 === 0 ? array_reverse($order) : $order as $box) {
                [$in, $out] = [$this->ahead($this->in[$box]), $this->ahead($this->out[$box])];
                $least = $in === [] ? 0 : max(array_map(fn (int $n): int => $this->of[$this->lines[$n][0]], $in)) + 1;
                $most = $out === [] ? $this->of[$box] : min(array_map(fn (int $n): int => $this->of[$this->lines[$n][1]], $out)) - 1;
                // Where as many lead on as back, it stays near to where it comes from.
                $wanted = count($out) > count($in) ? $most : (count($in) > count($out) || $round % 2 === 1 ? $least : $this->of[$box]);
                $wanted = max($least, min($most, $wanted));
                if ($wanted !== $this->of[$box]) {
                    $this->of[$box] = $wanted;
                    $isMoved = true;
                }
            }
            if (! $isMoved && $round > 0) {
                break;
            }
        }
        $first = $this->of === [] ? 0 : min($this->of);
        $this->of = array_map(fn (int $rank): int => $rank - $first, $this->of);
    }
}
