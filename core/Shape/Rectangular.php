<?php

declare(strict_types=1);

namespace ChalkTree\Shape;

use ChalkTree\Arrange\Growth;

/** What shapes have in common that a rectangle fills, with corners that may be round. */
trait Rectangular
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

    public function outline(float $w, float $h, float $corner): string
    {
        return Path::rounded($w, $h, $corner);
    }

    public function spine(float $w, float $h, float $corner, float $thick, Growth $enters): string
    {
        return Path::roundedSpine($w, $h, $corner, $thick, $enters);
    }

    public function inset(float $w, float $h, Growth $edge, float $at): float
    {
        return 0.0;
    }

    public function fill(string $ofLevel): string
    {
        return $ofLevel;
    }

    public function edge(string $ofLevel): string
    {
        return $ofLevel;
    }
}
