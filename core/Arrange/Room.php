<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

/**
 * Finds room on free paper. What is taken lies in squares of the board, so that only what is near is looked at.
 *
 * @phpstan-type Box array{x: float, y: float, w: float, h: float, ...}
 */
final class Room
{
    /** Between a new topic and what stands there already. */
    private const APART = 14;

    /** Directions in which room is looked for, how far, and how much farther each time. */
    private const DIRECTIONS = 12;

    private const RINGS = 24;

    private const STEP = 44;

    private const SQUARE = 256;

    /** @var array<string, list<Box>> by square */
    private array $squares = [];

    private float $foot = 0.0;

    /** @param  iterable<Box>  $taken  what is there */
    public function __construct(iterable $taken)
    {
        foreach ($taken as $box) {
            $this->take($box);
        }
    }

    /** @param  Box  $box */
    public function take(array $box): void
    {
        foreach (self::squares($box['x'], $box['y'], $box['x'] + $box['w'], $box['y'] + $box['h']) as $square) {
            $this->squares[$square][] = $box;
        }
        $this->foot = max($this->foot, $box['y'] + $box['h']);
    }

    /**
     * By how much a branch has to be moved so that it stands clear: not at all, if it does; else to the first place around
     * its parent, beginning where it stands and going clockwise, then farther out. Where there is none, below everything.
     *
     * @param  Box  $parent
     * @param  Box  $box  its head
     * @param  non-empty-list<Box>  $branch  all of it
     * @return array{float, float} x and y
     */
    public function near(array $parent, array $box, array $branch): array
    {
        if ($this->isClear($branch, 0.0, 0.0)) {
            return [0.0, 0.0];
        }
        [$px, $py] = [$parent['x'] + $parent['w'] / 2, $parent['y'] + $parent['h'] / 2];
        [$x, $y] = [$box['x'] + $box['w'] / 2, $box['y'] + $box['h'] / 2];
        $begin = atan2($y - $py, $x - $px);
        $far = max($parent['h'], hypot($x - $px, $y - $py));
        for ($ring = 0; $ring < self::RINGS; $ring++) {
            for ($n = 0; $n < self::DIRECTIONS; $n++) {
                $angle = $begin + 2 * M_PI * $n / self::DIRECTIONS;
                $by = [round($px + cos($angle) * ($far + self::STEP * $ring) - $x), round($py + sin($angle) * ($far + self::STEP * $ring) - $y)];
                if ($this->isClear($branch, ...$by)) {
                    return $by;
                }
            }
        }

        return [0.0, round($this->foot + self::APART - min(array_map(fn (array $each): float => $each['y'], $branch)))];
    }

    /** @param  list<Box>  $branch */
    private function isClear(array $branch, float $dx, float $dy): bool
    {
        foreach ($branch as ['x' => $x, 'y' => $y, 'w' => $w, 'h' => $h]) {
            [$left, $top, $right, $bottom] = [$x + $dx - self::APART, $y + $dy - self::APART, $x + $dx + $w + self::APART, $y + $dy + $h + self::APART];
            foreach (self::squares($left, $top, $right, $bottom) as $square) {
                foreach ($this->squares[$square] ?? [] as $other) {
                    if ($left < $other['x'] + $other['w'] && $other['x'] < $right && $top < $other['y'] + $other['h'] && $other['y'] < $bottom) {
                        return false;
                    }
                }
            }
        }

        return true;
    }

    /** @return iterable<string> those over which a rectangle lies */
    private static function squares(float $left, float $top, float $right, float $bottom): iterable
    {
        for ($x = (int) floor($left / self::SQUARE); $x * self::SQUARE <= $right; $x++) {
            for ($y = (int) floor($top / self::SQUARE); $y * self::SQUARE <= $bottom; $y++) {
                yield "{$x} {$y}";
            }
        }
    }
}
