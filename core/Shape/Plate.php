<?php

declare(strict_types=1);

namespace ChalkTree\Shape;

use ChalkTree\Arrange\Growth;

/** A solid plate without a spine, as the root is by itself. */
final class Plate implements Shape
{
    use Rectangular;

    public static function name(): string
    {
        return 'plate';
    }

    public function spine(float $w, float $h, float $corner, float $thick, Growth $enters): string
    {
        return '';
    }

    public function fill(string $ofLevel): string
    {
        return 'plate';
    }

    public function edge(string $ofLevel): string
    {
        return '';
    }
}
