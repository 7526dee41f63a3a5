<?php

declare(strict_types=1);

namespace ChalkTree\Shape;

use ChalkTree\Arrange\Growth;

/** What shapes have in common that are not a box: no spine, no paper but what they draw themselves. */
trait Unboxed
{
    use Rectangular;

    public function spine(float $w, float $h, float $corner, float $thick, Growth $enters): string
    {
        return '';
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
