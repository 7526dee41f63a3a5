<?php

declare(strict_types=1);

namespace ChalkTree\Shape;

use ChalkTree\Arrange\Growth;

/** A slip with sharp corners, whatever its level says of corners. */
final class Rectangle implements Shape
{
    use Rectangular;

    public static function name(): string
    {
        return 'rectangle';
    }

    public function outline(float $w, float $h, float $corner): string
    {
        return Path::rounded($w, $h, 0.0);
    }

    public function spine(float $w, float $h, float $corner, float $thick, Growth $enters): string
    {
        return Path::roundedSpine($w, $h, 0.0, $thick, $enters);
    }

    public function fill(string $ofLevel): string
    {
        return $ofLevel === '' ? 'slip' : $ofLevel;
    }

    public function edge(string $ofLevel): string
    {
        return $ofLevel === '' ? 'edge' : $ofLevel;
    }
}
