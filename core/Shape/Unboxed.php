<?php

declare(strict_types=1);

namespace ChalkTree\Shape;

use ChalkTree\Arrange\Growth;

/** What shapes have in common that are not a box: no spine, no paper but what they draw themselves. */
trait Unboxed
{
    public function isFull(): bool
    {
        return true;
    }

    public function around(float $w, float $h): array
    {
        return [$w, $h];
    }

    public function within(float $w): float
    {
        return $w;
    }

    public function spine(float $w, float $h, float $corner, float $thick, Growth $enters): string
    {
        return '';
    }

    public function inset(float $w, float $h, Growth $edge, float $at): float
    {
        return 0.0;
    }

    public function fill(string $ofLevel): string
    {
        return '';
    }

    public function edge(string $ofLevel): string
    {
        return '';
    }
}
