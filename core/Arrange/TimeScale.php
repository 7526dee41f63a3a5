<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

/**
 * How days lie along a line: as far from each other as they are, all in one measure, which is chosen so that what is
 * typical of them can be told apart; where nothing is for long, the line is broken. Days are counted as Days::number()
 * has them, places are pixels from where the line begins.
 */
final readonly class TimeScale
{
    /** How far two days are from each other that are as far apart as most, where nothing else is wanted. */
    public const TYPICAL = 64.0;

    /** Beyond so many times that between two of them the line is broken. */
    public const FARTHEST = 4.0;

    /** Of the line before the first day, behind the last, and on each side of a break; and of a break itself. */
    private const STUB = 50.0;

    public const BREAK = 84.0;

    /**
     * @param  float  $scale  pixels a day
     * @param  non-empty-list<array{int, int, float}>  $pieces  first and last day, and the place of the first
     */
    private function __construct(public float $scale, public array $pieces)
    {
    }

    /**
     * @param  non-empty-list<int>  $days  in any order
     * @param  list<int>  $ends  where what begins on these ends
     * @param  float  $wanted  how far from each other those are to be that are as far apart as most, pixels
     */
    public static function of(array $days, array $ends = [], float $wanted = self::TYPICAL): self
    {
        $days = array_values(array_unique([...$days, ...$ends]));
        sort($days);
        $gaps = [];
        for ($i = 1; $i < count($days); $i++) {
            $gaps[] = $days[$i] - $days[$i - 1];
        }
        sort($gaps);
        $typical = $gaps === [] ? 1 : $gaps[intdiv(count($gaps) - 1, 2)];
        // In steps, so that one day more mostly leaves all where it is.
        $scale = 2.0 ** (round(2 * log($wanted / $typical, 2)) / 2);
        // Never shorter broken than whole.
        $farthest = max(self::FARTHEST * $typical * $scale, 3 * self::STUB + self::BREAK);
        [$pieces, $first, $last, $at] = [[], $days[0], $days[0], self::STUB];
        foreach ($days as $day) {
            if (($day - $last) * $scale > $farthest) {
                $pieces[] = [$first, $last, $at];
                $at += ($last - $first) * $scale + 2 * self::STUB + self::BREAK;
                $first = $day;
            }
            $last = $day;
        }

        return new self($scale, [...$pieces, [$first, $last, $at]]);
    }

    /** Where a day is; null where the line is broken, or does not reach so far. */
    public function at(int $day): ?float
    {
        // The last piece that does not begin after it; a line may be broken thousands of times.
        [$from, $to] = [0, count($this->pieces) - 1];
        while ($from < $to) {
            $middle = intdiv($from + $to + 1, 2);
            [$from, $to] = $this->pieces[$middle][0] <= $day ? [$middle, $to] : [$from, $middle - 1];
        }
        [$first, $last, $at] = $this->pieces[$from];

        return $day >= $first && $day <= $last ? $at + ($day - $first) * $this->scale : null;
    }

    public function length(): float
    {
        return $this->ends(count($this->pieces) - 1)[1];
    }

    /** From the first to the last day of a piece. */
    public function lengthOf(int $piece): float
    {
        return ($this->pieces[$piece][1] - $this->pieces[$piece][0]) * $this->scale;
    }

    /** @return array{float, float} where a piece of the line begins and ends */
    public function ends(int $piece): array
    {
        return [$this->pieces[$piece][2] - self::STUB, $this->pieces[$piece][2] + $this->lengthOf($piece) + self::STUB];
    }
}
