<?php

declare(strict_types=1);

namespace Bench;

/** Times of one thing done many times, in milliseconds. */
final class Figures
{
    /** @var list<float> */
    private array $times = [];

    /** @param  callable(): mixed  $work */
    public static function of(int $rounds, callable $work): self
    {
        $figures = new self;
        for ($i = 0; $i < $rounds; $i++) {
            $begin = hrtime(true);
            $work();
            $figures->add((hrtime(true) - $begin) / 1e6);
        }

        return $figures;
    }

    public function add(float $milliseconds): void
    {
        $this->times[] = $milliseconds;
    }

    public function count(): int
    {
        return count($this->times);
    }

    public function at(float $part): float
    {
        $times = $this->times;
        sort($times);

        return $times[(int) min(count($times) - 1, floor($part * count($times)))] ?? NAN;
    }

    public function __toString(): string
    {
        return sprintf('%8.1f %8.1f', $this->at(0.5), $this->at(0.95));
    }
}
