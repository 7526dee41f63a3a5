<?php

declare(strict_types=1);

namespace ChalkTree\Shape;

use ChalkTree\Arrange\Growth;

/** Points at the left and at the right. */
final class Hexagon implements Shape
{
    use Enclosing;
    use Pointed;

    public static function name(): string
    {
        return 'hexagon';
    }

    /** How far the points stand out, of the height. */
    private const POINT = 0.3;

    public function around(float $w, float $h): array
    {
        $high = $h * 1.1;

        return [$w + 2 * self::POINT * $h, $high];
    }

    public function within(float $w): float
    {
        return $w * 0.8;
    }

    public function outline(float $w, float $h, float $corner): string
    {
        $d = self::point($w, $h);

        return Path::polygon([[$d, 0.0], [$w - $d, 0.0], [$w, $h / 2], [$w - $d, $h], [$d, $h], [0.0, $h / 2]]);
    }

    private function chain(float $w, float $h, Growth $enters): array
    {
        $d = self::point($w, $h);

        return match ($enters) {
            Growth::Right => [[$d, 0.0], [0.0, $h / 2], [$d, $h]],
            Growth::Left => [[$w - $d, 0.0], [$w, $h / 2], [$w - $d, $h]],
            Growth::Down => [[0.0, $h / 2], [$d, 0.0], [$w - $d, 0.0], [$w, $h / 2]],
            Growth::Up => [[0.0, $h / 2], [$d, $h], [$w - $d, $h], [$w, $h / 2]],
        };
    }

    private static function point(float $w, float $h): float
    {
        return min(self::POINT * $h, $w / 3);
    }
}
