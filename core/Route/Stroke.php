<?php

declare(strict_types=1);

namespace ChalkTree\Route;

use ChalkTree\Arrange\Ground;

/**
 * A line as it is drawn: straight pieces and curves, and the same as many short straight pieces, by which it is known
 * where it runs.
 *
 * @phpstan-type Point array{float, float}
 */
final class Stroke
{
    private const STEPS = 12;

    /** @var non-empty-list<Point> */
    public array $points;

    /** @var list<list<Point>> the points of each piece, the last of which is where it ends: one for a straight one, two or three for a curve */
    private array $pieces = [];

    /** @param  Point  $from */
    public function __construct(array $from)
    {
        $this->points = [$from];
    }

    /**
     * The same from what plain() gave, moved.
     *
     * @param  non-empty-list<list<Point>>  $plain
     */
    public static function moved(array $plain, float $x, float $y): self
    {
        $at = fn (array $point): array => [$point[0] + $x, $point[1] + $y];
        $stroke = new self($at($plain[0][0] ?? [0.0, 0.0]));
        foreach (array_slice($plain, 1) as $piece) {
            $points = array_map($at, $piece);
            match (count($points)) {
                1 => $stroke->line($points[0]),
                2 => $stroke->bend($points[0], $points[1]),
                3 => $stroke->curve($points[0], $points[1], $points[2]),
                default => null,
            };
        }

        return $stroke;
    }

    /** @return non-empty-list<list<Point>> where it begins, and its pieces, as numbers to be kept */
    public function plain(): array
    {
        return [[$this->points[0]], ...$this->pieces];
    }

    /**
     * From point to point, each corner rounded with a curve that stays within it.
     *
     * @param  non-empty-list<Point>  $points
     * @param  float  $radius  at most
     */
    public static function rounded(array $points, float $radius): self
    {
        $points = self::withoutRepeats($points);
        $stroke = new self($points[0]);
        for ($i = 1, $last = count($points) - 1; $i < $last; $i++) {
            [[$ax, $ay], [$bx, $by], [$cx, $cy]] = [$points[$i - 1], $points[$i], $points[$i + 1]];
            [$in, $out] = [hypot($bx - $ax, $by - $ay), hypot($cx - $bx, $cy - $by)];
            // The first and last pieces belong to one corner only.
            $r = min($radius, $in / ($i === 1 ? 1.15 : 2), $out / ($i === $last - 1 ? 1.15 : 2));
            $stroke->line([$bx + ($ax - $bx) / $in * $r, $by + ($ay - $by) / $in * $r]);
            $stroke->bend([$bx, $by], [$bx + ($cx - $bx) / $out * $r, $by + ($cy - $by) / $out * $r]);
        }

        return $last > 0 ? $stroke->line($points[$last]) : $stroke;
    }

    /** @param  Point  $to */
    public function line(array $to): self
    {
        $this->points[] = $to;
        $this->pieces[] = [$to];

        return $this;
    }

    /**
     * @param  Point  $over
     * @param  Point  $to
     */
    public function bend(array $over, array $to): self
    {
        [$x, $y] = $this->points[count($this->points) - 1];
        for ($i = 1; $i <= self::STEPS / 2; $i++) {
            $t = $i / (self::STEPS / 2);
            [$a, $b, $c] = [(1 - $t) ** 2, 2 * $t * (1 - $t), $t ** 2];
            $this->points[] = [$a * $x + $b * $over[0] + $c * $to[0], $a * $y + $b * $over[1] + $c * $to[1]];
        }
        $this->pieces[] = [$over, $to];

        return $this;
    }

    /**
     * @param  Point  $out
     * @param  Point  $in
     * @param  Point  $to
     */
    public function curve(array $out, array $in, array $to): self
    {
        [$x, $y] = $this->points[count($this->points) - 1];
        for ($i = 1; $i <= self::STEPS; $i++) {
            $t = $i / self::STEPS;
            [$a, $b, $c, $d] = [(1 - $t) ** 3, 3 * $t * (1 - $t) ** 2, 3 * $t ** 2 * (1 - $t), $t ** 3];
            $this->points[] = [$a * $x + $b * $out[0] + $c * $in[0] + $d * $to[0], $a * $y + $b * $out[1] + $c * $in[1] + $d * $to[1]];
        }
        $this->pieces[] = [$out, $in, $to];

        return $this;
    }

    /** As an SVG path. */
    public function path(): string
    {
        $d = 'M'.self::at($this->points[0]);
        foreach ($this->pieces as $piece) {
            $d .= ['', 'L', 'Q', 'C'][count($piece)].implode(' ', array_map(self::at(...), $piece));
        }

        return $d;
    }

    public function length(): float
    {
        $length = 0.0;
        for ($i = 1, $count = count($this->points); $i < $count; $i++) {
            $length += hypot($this->points[$i][0] - $this->points[$i - 1][0], $this->points[$i][1] - $this->points[$i - 1][1]);
        }

        return $length;
    }

    /**
     * The point a part of the way along it, and the direction there.
     *
     * @return array{float, float, float, float} x, y, and the direction with length 1
     */
    public function along(float $part): array
    {
        $left = $this->length() * $part;
        for ($i = 1, $count = count($this->points); $i < $count; $i++) {
            [[$ax, $ay], [$bx, $by]] = [$this->points[$i - 1], $this->points[$i]];
            $length = hypot($bx - $ax, $by - $ay);
            if ($length > 0 && ($left <= $length || $i === $count - 1)) {
                $t = min(1.0, $left / $length);

                return [$ax + ($bx - $ax) * $t, $ay + ($by - $ay) * $t, ($bx - $ax) / $length, ($by - $ay) / $length];
            }
            $left -= $length;
        }

        return [...$this->points[0], 1.0, 0.0];
    }

    /**
     * Whether it goes through a rectangle, or comes so near.
     *
     * @param  array{float, float, float, float}  $box  left, top, right, bottom
     */
    public function cuts(array $box, float $near): bool
    {
        for ($i = 1, $count = count($this->points); $i < $count; $i++) {
            if (Ground::cuts($this->points[$i - 1][0], $this->points[$i - 1][1], $this->points[$i][0], $this->points[$i][1], $box, $near)) {
                return true;
            }
        }

        return false;
    }

    /** @return array{float, float, float, float} left, top, right, bottom */
    public function bounds(): array
    {
        [$xs, $ys] = [array_column($this->points, 0), array_column($this->points, 1)];

        return [min($xs), min($ys), max($xs), max($ys)];
    }

    /**
     * @param  non-empty-list<Point>  $points
     * @return non-empty-list<Point>
     */
    private static function withoutRepeats(array $points): array
    {
        $kept = [$points[0]];
        foreach ($points as $point) {
            $last = $kept[count($kept) - 1];
            if (hypot($point[0] - $last[0], $point[1] - $last[1]) > 0.05) {
                $kept[] = $point;
            }
        }

        return $kept;
    }

    /** @param  Point  $point */
    private static function at(array $point): string
    {
        return round($point[0], 1).' '.round($point[1], 1);
    }
}
