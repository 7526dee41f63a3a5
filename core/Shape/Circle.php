<?php

declare(strict_types=1);

namespace ChalkTree\Shape;

/** A circle; text wraps narrower in it, so that it comes to be no larger than it must. */
final class Circle implements Shape
{
    use Enclosing;
    use Round;

    public static function name(): string
    {
        return 'circle';
    }

    public function around(float $w, float $h): array
    {
        $across = hypot($w, $h);

        return [$across, $across];
    }

    public function within(float $w): float
    {
        return $w * 0.8;
    }
}
