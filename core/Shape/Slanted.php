<?php

declare(strict_types=1);

namespace ChalkTree\Shape;

use ChalkTree\Arrange\Growth;

/** A parallelogram that leans to the right. */
final class Slanted implements Shape
{
    use Enclosing;
    use Pointed;

    public static function name(): string
    {
        return 'slanted';
    }

    /** How far it leans, of the height. */
    private const LEAN = 0.4;

    public function around(float $w, float $h): array
    {
        return [$w + 2 * self::LEAN * $h, $h];
    }

    public function within(float $w): float
    {
        return $w * 0.8;
    }

    public function outline(float $w, float $h, float $corner): string
    {
        $k = self::lean($w, $h);

        return Path::polygon([[$k, 0.0], [$w, 0.0], [$w - $k, $h], [0.0, $h]]);
    }

    private function chain(float $w, float $h, Growth $enters): array
    {
        $k = self::lean($w, $h);

        return match ($enters) {
            Growth::Right => [[$k, 0.0], [0.0, $h]],
            Growth::Left => [[$w, 0.0], [$w - $k, $h]],
            Growth::Down => [[0.0, $h], [$k, 0.0], [$w, 0.0]],
            Growth::Up => [[0.0, $h], [$w - $k, $h], [$w, 0.0]],
        };
    }

    private static function lean(float $w, float $h): float
    {
        return min(self::LEAN * $h, $w / 3);
    }
}
