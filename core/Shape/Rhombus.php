<?php

declare(strict_types=1);

namespace ChalkTree\Shape;

use ChalkTree\Arrange\Growth;

/** A square on its corner, as wide as it must be. */
final class Rhombus implements Shape
{
    use Enclosing;
    use Pointed;

    public static function name(): string
    {
        return 'rhombus';
    }

    public function around(float $w, float $h): array
    {
        return [$w * 2, $h * 2];
    }

    public function within(float $w): float
    {
        return $w / 2;
    }

    public function outline(float $w, float $h, float $corner): string
    {
        return Path::polygon([[$w / 2, 0.0], [$w, $h / 2], [$w / 2, $h], [0.0, $h / 2]]);
    }

    private function chain(float $w, float $h, Growth $enters): array
    {
        return match ($enters) {
            Growth::Right => [[$w / 2, 0.0], [0.0, $h / 2], [$w / 2, $h]],
            Growth::Left => [[$w / 2, 0.0], [$w, $h / 2], [$w / 2, $h]],
            Growth::Down => [[0.0, $h / 2], [$w / 2, 0.0], [$w, $h / 2]],
            Growth::Up => [[0.0, $h / 2], [$w / 2, $h], [$w, $h / 2]],
        };
    }
}
