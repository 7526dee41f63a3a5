<?php

declare(strict_types=1);

namespace ChalkTree\Route;

use ChalkTree\Arrange\Ground;

/**
 * Finds room for words at lines: in a gap of their own line, else beside it, where they cover no topic, no other words
 * and no other line; failing all that, a little away.
 *
 * @phpstan-import-type Rect from Ground
 *
 * What is set aside needs to have shown which line it belongs to; the size is the one of those offered.
 *
 * @phpstan-type Spot array{box: Rect, isAside: bool, size: int}
 */
final class Spots
{
    /** Around words, pixels. */
    private const AROUND = 3.0;

    /** Between words beside a line and the line. */
    private const BESIDE = 4.0;

    /** The same where there is more room; still nobody takes them for those of another line. */
    private const CLOSE = 12.0;

    /** So much of a line has to be seen at each side of a gap. */
    private const SEEN = 16.0;

    /** Where along the line, the best first. */
    private const ALONG = [0.5, 0.42, 0.58, 0.34, 0.66, 0.26, 0.74, 0.18, 0.82];

    /** How far away from its line the words may stand at most, before they are set aside: so many of their own lengths. */
    private const LENGTHS = 1.5;

    private const FARTHEST = 640.0;

    /** Squares of this side hold what is in them, so that only what is near is looked at. */
    private const TILE = 96.0;

    /** Past so many lines nobody reads all their words, and no more room is looked for than at the lines themselves. */
    private const MOST_ASIDE = 150;

    /** @var array<int, array<int, list<Rect>>> the words that have their place, by square */
    private array $taken = [];

    /** @var array<int, array<int, list<array{int, float, float, float, float}>>> pieces of lines with their numbers, by square */
    private array $pieces = [];

    /** @param  array<int, Stroke>  $lines  all lines, by their numbers */
    public function __construct(private readonly Ground $ground, private readonly array $lines)
    {
        foreach ($lines as $number => $line) {
            for ($i = 1, $count = count($line->points); $i < $count; $i++) {
                [[$x0, $y0], [$x1, $y1]] = [$line->points[$i - 1], $line->points[$i]];
                // Cut to the length of a square, so that a slanted one is in few.
                $steps = (int) max(1, ceil(max(abs($x1 - $x0), abs($y1 - $y0)) / self::TILE));
                for ($n = 0; $n < $steps; $n++) {
                    [$a, $b] = [$n / $steps, ($n + 1) / $steps];
                    $piece = [$number, $x0 + ($x1 - $x0) * $a, $y0 + ($y1 - $y0) * $a, $x0 + ($x1 - $x0) * $b, $y0 + ($y1 - $y0) * $b];
                    foreach (self::squares(min($piece[1], $piece[3]), min($piece[2], $piece[4]), max($piece[1], $piece[3]), max($piece[2], $piece[4])) as [$column, $row]) {
                        $this->pieces[$column][$row][] = $piece;
                    }
                }
            }
        }
    }

    /** @return list<array{int, int}> the squares that a rectangle reaches into */
    private static function squares(float $left, float $top, float $right, float $bottom): array
    {
        $squares = [];
        for ($i = (int) floor($left / self::TILE), $last = (int) floor($right / self::TILE); $i <= $last; $i++) {
            for ($j = (int) floor($top / self::TILE), $end = (int) floor($bottom / self::TILE); $j <= $end; $j++) {
                $squares[] = [$i, $j];
            }
        }

        return $squares;
    }

    /**
     * The place of words at a line; it is theirs then.
     *
     * @param  non-empty-list<array{float, float}>  $sizes  width and height of the words, broken into lines one way or another, the best first
     * @return Spot
     */
    public function of(int $line, array $sizes): array
    {
        $stroke = $this->lines[$line];
        $spot = null;
        foreach ([0.0, self::BESIDE, self::CLOSE] as $n => $away) {
            foreach ($sizes as $which => [$w, $h]) {
                $spot ??= self::spot($n === 0 ? $this->inGap($line, $stroke, $w, $h) : $this->beside($stroke, $w, $h, $away), false, $which);
            }
        }
        [$w, $h] = $sizes[0];
        if ($spot === null && count($this->lines) > self::MOST_ASIDE) {
            [$x, $y] = $stroke->along(0.5);
            $spot = ['box' => self::box($x, $y, $w, $h), 'isAside' => false, 'size' => 0];
        }
        $spot ??= self::spot($this->near($stroke, $w, $h), true, 0) ?? ['box' => $this->aside($stroke, $w, $h), 'isAside' => true, 'size' => 0];

        return $this->taken($spot);
    }

    /**
     * Words whose place is decided.
     *
     * @param  array{float, float}  $middle
     * @return Spot
     */
    public function at(array $middle, float $w, float $h): array
    {
        return $this->taken(['box' => self::box($middle[0], $middle[1], $w, $h), 'isAside' => false, 'size' => 0]);
    }

    /**
     * @param  Spot  $spot
     * @return Spot
     */
    private function taken(array $spot): array
    {
        foreach (self::squares(...$spot['box']) as [$column, $row]) {
            $this->taken[$column][$row][] = $spot['box'];
        }

        return $spot;
    }

    /**
     * @param  Rect|null  $box
     * @return Spot|null
     */
    private static function spot(?array $box, bool $isAside, int $size): ?array
    {
        return $box === null ? null : ['box' => $box, 'isAside' => $isAside, 'size' => $size];
    }

    /**
     * On its line, which is not seen there.
     *
     * @return Rect|null
     */
    private function inGap(int $line, Stroke $stroke, float $w, float $h): ?array
    {
        $length = $stroke->length();
        foreach (self::ALONG as $part) {
            [$x, $y, $dx, $dy] = $stroke->along($part);
            // How much of the line the words would take.
            $gap = min($w / max(0.01, abs($dx)), $h / max(0.01, abs($dy)));
            if (min($part, 1 - $part) * $length < $gap / 2 + self::SEEN) {
                continue;
            }
            $box = self::box($x, $y, $w, $h);
            if ($this->isFree($box, $line)) {
                return $box;
            }
        }

        return null;
    }

    /**
     * Beside its line, so many pixels away from it.
     *
     * @return Rect|null
     */
    private function beside(Stroke $stroke, float $w, float $h, float $away): ?array
    {
        foreach (self::ALONG as $part) {
            [$x, $y, $dx, $dy] = $stroke->along($part);
            $out = $away + (abs($dy) * $w + abs($dx) * $h) / 2;
            foreach ([-1, 1] as $side) {
                // Above a line rather than below it.
                $sign = $dx < 0 ? -$side : $side;
                $box = self::box($x - $dy * $sign * $out, $y + $dx * $sign * $out, $w, $h);
                if ($this->isFree($box) && self::isAt($stroke, $box, $away + self::BESIDE)) {
                    return $box;
                }
            }
        }

        return null;
    }

    /**
     * Whether a line comes so near to a rectangle, or its end does: where it turns it may go away from what stands beside it.
     *
     * @param  Rect  $box
     */
    private static function isAt(Stroke $stroke, array $box, float $near): bool
    {
        for ($i = 1, $count = count($stroke->points); $i < $count; $i++) {
            if (Ground::cuts(...[...$stroke->points[$i - 1], ...$stroke->points[$i], $box, $near])) {
                return true;
            }
        }

        return false;
    }

    /**
     * Within so many of its own lengths, where only a leader shows what the words belong to.
     *
     * @return Rect|null
     */
    private function near(Stroke $stroke, float $w, float $h): ?array
    {
        for ($away = self::CLOSE, $most = self::LENGTHS * max($w, $h); $away <= $most; $away += 14.0) {
            $box = $this->beside($stroke, $w, $h, $away);
            if ($box !== null) {
                return $box;
            }
        }

        return null;
    }

    /**
     * Farther away, in rings around the middle of the line.
     *
     * @return Rect
     */
    private function aside(Stroke $stroke, float $w, float $h): array
    {
        [$x, $y] = $stroke->along(0.5);
        // Where everything is full of lines, it may stand on one.
        foreach ([false, true] as $isOverLines) {
            for ($far = 30.0; $far < self::FARTHEST; $far += 32.0) {
                $steps = (int) max(8, $far / 16);
                for ($i = 0; $i < $steps; $i++) {
                    $angle = -M_PI_2 + 2 * M_PI * $i / $steps;
                    $box = self::box($x + cos($angle) * ($far + $w / 2), $y + sin($angle) * ($far + $h / 2), $w, $h);
                    if ($this->isFree($box, isOverLines: $isOverLines)) {
                        return $box;
                    }
                }
            }
        }

        return self::box($x, $y, $w, $h);
    }

    /** @return Rect */
    private static function box(float $x, float $y, float $w, float $h): array
    {
        return [$x - $w / 2, $y - $h / 2, $x + $w / 2, $y + $h / 2];
    }

    /**
     * @param  Rect  $box
     * @param  int|null  $but  the line that may run there
     * @param  bool  $isOverLines  whether all of them may
     */
    private function isFree(array $box, ?int $but = null, bool $isOverLines = false): bool
    {
        foreach (self::squares($box[0] - self::AROUND, $box[1] - self::AROUND, $box[2] + self::AROUND, $box[3] + self::AROUND) as [$column, $row]) {
            foreach ($this->taken[$column][$row] ?? [] as $other) {
                if ($other[2] > $box[0] - self::AROUND && $other[0] < $box[2] + self::AROUND && $other[3] > $box[1] - self::AROUND && $other[1] < $box[3] + self::AROUND) {
                    return false;
                }
            }
            foreach ($isOverLines ? [] : ($this->pieces[$column][$row] ?? []) as [$number, $x0, $y0, $x1, $y1]) {
                if ($number !== $but && Ground::cuts($x0, $y0, $x1, $y1, $box, 1.5)) {
                    return false;
                }
            }
        }

        return $this->ground->boxesIn($box[0] - self::AROUND, $box[1] - self::AROUND, $box[2] + self::AROUND, $box[3] + self::AROUND) === [];
    }
}
