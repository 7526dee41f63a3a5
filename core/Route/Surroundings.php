<?php

declare(strict_types=1);

namespace ChalkTree\Route;

use ChalkTree\Arrange\Ground;

/**
 * What stands around a line, seen from where it begins: places are from there, in hundredths of pixels, so that the same
 * is seen wherever all of it is moved to together. What was asked and what was seen is written down; as long as the
 * answers are the same, so is the line (KnownWays). A question is the rectangle or the line, how near, and a digest of the
 * answer.
 *
 * @phpstan-import-type Rect from Ground
 *
 * @phpstan-type Question array{float, float, float, float, float|null, int}
 */
final class Surroundings
{
    /** @var list<Question> */
    private array $asked = [];

    public function __construct(private readonly Ground $ground, private readonly float $x, private readonly float $y)
    {
    }

    /** @return array<string, Rect> by id; see Ground */
    public function boxesIn(float $left, float $top, float $right, float $bottom): array
    {
        $boxes = $this->seen($left, $top, $right, $bottom, null);
        $this->asked[] = [$left, $top, $right, $bottom, null, self::digest($boxes)];

        return $boxes;
    }

    /** @return array<string, Rect> by id; see Ground */
    public function boxesOn(float $x0, float $y0, float $x1, float $y1, float $near): array
    {
        $boxes = $this->seen($x0, $y0, $x1, $y1, $near);
        $this->asked[] = [$x0, $y0, $x1, $y1, $near, self::digest($boxes)];

        return $boxes;
    }

    /** @return list<Question> what was asked so far */
    public function asked(): array
    {
        return $this->asked;
    }

    /**
     * Whether all these would be answered as they were.
     *
     * @param  list<Question>  $asked
     */
    public function answersAsBefore(array $asked): bool
    {
        foreach ($asked as [$a, $b, $c, $d, $near, $digest]) {
            if (self::digest($this->seen($a, $b, $c, $d, $near)) !== $digest) {
                return false;
            }
        }

        return true;
    }

    /** @return array<string, Rect> */
    private function seen(float $a, float $b, float $c, float $d, ?float $near): array
    {
        [$x, $y] = [$this->x, $this->y];
        $boxes = $near === null ? $this->ground->boxesIn($a + $x, $b + $y, $c + $x, $d + $y) : $this->ground->boxesOn($a + $x, $b + $y, $c + $x, $d + $y, $near);
        foreach ($boxes as $id => $box) {
            $boxes[$id] = [self::rounded($box[0] - $x), self::rounded($box[1] - $y), self::rounded($box[2] - $x), self::rounded($box[3] - $y)];
        }
        ksort($boxes);

        return $boxes;
    }

    /** A little off, so that what lies just between two never falls now to the one and now to the other. */
    public static function rounded(float $at): float
    {
        return round($at + 0.0003, 2);
    }

    /** @param  array<string, Rect>  $boxes */
    private static function digest(array $boxes): int
    {
        $said = '';
        foreach ($boxes as $id => $box) {
            $said .= "{$id} {$box[0]} {$box[1]} {$box[2]} {$box[3]} ";
        }

        return crc32($said);
    }
}
