<?php

declare(strict_types=1);

namespace ChalkTree\Shape;

/** An ellipse. */
final class Oval implements Shape
{
    use Enclosing;
    use Round;

    public static function name(): string
    {
        return 'oval';
    }

    public function around(float $w, float $h): array
    {
        return [$w * M_SQRT2, $h * M_SQRT2];
    }

    public function within(float $w): float
    {
        return $w / M_SQRT2;
    }
}
