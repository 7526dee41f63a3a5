<?php

declare(strict_types=1);

namespace ChalkTree\Draw;

use ChalkTree\Arrange\Ruler;
use ChalkTree\Arrange\Slip;
use ChalkTree\Arrange\TimeScale;
use ChalkTree\Ask\Days;
use ChalkTree\Text\Advances;
use ChalkTree\Text\Run;

/**
 * Of what a line of days is drawn: a strip with strokes where days, weeks, months or years begin, as far as there is room,
 * broken where nothing is for long, which says for how long; what lasts for days along its edge; and today.
 */
final readonly class RulerParts
{
    private const SIZE = 12.5;

    /** From a stroke to its words, and behind these. */
    private const BESIDE = 4.0;

    private const LASTING = 4.0;

    private const MOST = 2_000;

    /** Measures from stroke to stroke: months, or days where there are none; and the least way between them, pixels. */
    private const STEPS = [[0, 1, 50.0], [0, 7, 50.0], [1, 0, 40.0], [3, 0, 40.0], [12, 0, 44.0], [60, 0, 44.0], [120, 0, 44.0], [600, 0, 44.0], [1_200, 0, 44.0], [6_000, 0, 44.0], [12_000, 0, 44.0], [60_000, 0, 44.0]];

    public function __construct(private Advances $advances)
    {
    }

    /** @return list<Primitive> */
    public function of(Ruler $ruler, Slip $slip): array
    {
        $isRoot = $slip->level === 0;
        $parts = [];
        foreach (array_keys($ruler->scale->pieces) as $n) {
            $parts[] = self::strip($ruler, $n, $isRoot ? 'plate' : "tint:{$slip->chalk}", $isRoot ? 'plate' : "chalk:{$slip->chalk}");
            array_push($parts, ...$this->strokes($ruler, $n, $isRoot ? 'plate-ink' : 'ink'));
        }
        foreach ($ruler->spans as [$from, $to, $side, $chalk]) {
            array_push($parts, ...self::lasting($ruler, $from, $to, $side, $chalk));
        }

        return [...$parts, ...$this->breaks($ruler)];
    }

    private static function strip(Ruler $ruler, int $piece, string $fill, string $stroke): Primitive
    {
        [$from, $to] = array_map($ruler->x(...), $ruler->scale->ends($piece));
        [$left, $w] = [min($from, $to), abs($to - $from)];
        [$top, $r] = [$ruler->line - Ruler::HALF, 5];
        [$across, $down] = [$w - 2 * $r, 2 * Ruler::HALF - 2 * $r];

        return Primitive::path('ruler', 'M'.($left + $r)." {$top}h{$across}q{$r} 0 {$r} {$r}v{$down}q0 {$r} -{$r} {$r}h-{$across}q-{$r} 0 -{$r} -{$r}v-{$down}q0 -{$r} {$r} -{$r}Z", $fill, $stroke, 1.5);
    }

    /** @return list<Primitive> */
    private function strokes(Ruler $ruler, int $piece, string $ink): array
    {
        [$first, $last, $at] = $ruler->scale->pieces[$piece];
        [$begin, $end] = $ruler->scale->ends($piece);
        $scale = $ruler->scale->scale;
        [$months, $step] = self::step($scale, $last - $first);
        $now = $ruler->today === null ? null : $ruler->scale->at($ruler->today);
        $now = $now === null || $ruler->today < $first || $ruler->today > $last ? null : $now;
        $year = self::year(Days::numbered($first));
        $marks = [];
        foreach (self::days(Days::numbered((int) floor($first - ($at - $begin) / $scale)), $months, $step, $first + ($end - $at) / $scale) as $day) {
            $place = $at + (Days::number($day) - $first) * $scale;
            if ($place > $begin + 2 && $place < $end - 2) {
                $marks[] = [$place, self::words($day, $months, true), self::words($day, $months, false), true];
            }
        }
        // Before the first stroke, unless that says the year itself.
        if (($marks[0][1] ?? '') !== $year && ($marks[0][2] ?? '') !== $year) {
            array_unshift($marks, [$begin, self::words(Days::numbered($first), $months, true), $year, false]);
        }
        $parts = [];
        $free = $begin;
        $isDated = false;
        $d = '';
        foreach ($marks as $i => [$place, $long, $short, $isStroke]) {
            $d .= $isStroke ? self::across($ruler, $place, 0) : '';
            $room = ($marks[$i + 1][0] ?? $end) - $place - 2 * self::BESIDE;
            $words = $isDated ? $short : $long;
            $words = $this->width($words) <= $room ? $words : $short;
            $w = $this->width($words);
            $isOver = $now !== null && $now > $place - self::BESIDE && $now - self::BESIDE < $place + self::BESIDE + $w;
            if ($words === '' || $w > $room || $place < $free || $isOver) {
                continue;
            }
            $isDated = $isDated || $words === $long || $words === $year;
            $parts[] = $this->said($ruler, $words, $place, $w, $ink);
        }
        $strokes = $d === '' ? [] : [Primitive::path('ruler-strokes', $d, '', $ink, 1.0)];

        return [...$strokes, ...$parts, ...($now === null ? [] : [Primitive::path('today', self::across($ruler, $now, 5), '', 'chalk:ember', 3.0)])];
    }

    private function width(string $words): float
    {
        return $this->advances->width($words, Run::BOLD) * self::SIZE / 1000;
    }

    private function said(Ruler $ruler, string $words, float $place, float $w, string $ink): Primitive
    {
        $x = $ruler->x($place + self::BESIDE);

        return Primitive::text('ruler-words', $words, round($ruler->isTurned ? $x - $w : $x, 2), $ruler->line + 4.5, round($w, 2), self::SIZE, $ink, Run::BOLD);
    }

    /** A stroke across the strip, so much longer at both ends. */
    private static function across(Ruler $ruler, float $place, int $beyond): string
    {
        $half = Ruler::HALF + $beyond;

        return 'M'.round($ruler->x($place), 1).' '.($ruler->line - $half).'v'.(2 * $half);
    }

    /**
     * The first measure in which strokes stand far enough from each other, and are not too many.
     *
     * @return array{int, int} months, or days
     */
    private static function step(float $scale, int $days): array
    {
        foreach (self::STEPS as [$months, $step, $least]) {
            $long = $months === 0 ? $step : $months * 30.44;
            if ($long * $scale >= $least && $days / $long < self::MOST) {
                return [$months, $step];
            }
        }

        return [self::STEPS[count(self::STEPS) - 1][0], 0];
    }

    /**
     * The days from one on where a stroke stands.
     *
     * @return iterable<string>
     */
    private static function days(string $from, int $months, int $step, float $to): iterable
    {
        if ($months === 0) {
            $day = $step === 7 ? Days::plus($from, 1 - Days::weekday($from)) : $from;
            for (; Days::number($day) <= $to; $day = $next) {
                yield $day;
                if (($next = Days::plus($day, $step)) === $day) {
                    return;
                }
            }

            return;
        }
        $year = (int) substr($from, 0, 4);
        $day = $months < 12 ? sprintf('%04d-%02d-01', $year, intdiv((int) substr($from, 5, 2) - 1, $months) * $months + 1) : sprintf('%04d-01-01', max(1, $year - $year % intdiv($months, 12)));
        for (; Days::number($day) <= $to; $day = $next) {
            yield $day;
            // Those of centuries begin with the year 1, where there is none before.
            $next = $months > 12 && str_starts_with($day, '0001') ? sprintf('%04d-01-01', intdiv($months, 12)) : Days::plusMonths($day, $months);
            if ($next <= $day) {
                return;
            }
        }
    }

    private static function year(string $day): string
    {
        return ltrim(substr($day, 0, 4), '0');
    }

    /** @param  bool  $isLong  whether it stands by itself, so that it needs its year */
    private static function words(string $day, int $months, bool $isLong): string
    {
        $year = self::year($day);
        [$date, $month] = [(int) substr($day, 8), Days::monthName($day)];

        return match (true) {
            $months >= 12 => $year,
            $months > 0 => $isLong ? "{$month} {$year}" : ($month === 'Jan' ? $year : $month),
            default => "{$date} {$month}".($isLong ? " {$year}" : ''),
        };
    }

    /** @return list<Primitive> along the edge of the strip, in each of its pieces */
    private static function lasting(Ruler $ruler, int $from, int $to, int $side, string $chalk): array
    {
        $y = $ruler->line + ($side === 0 ? -1 : 1) * (Ruler::HALF + self::LASTING / 2);
        $d = '';
        foreach ($ruler->scale->pieces as $n => [$first, $last]) {
            if ($from <= $last && $to >= $first) {
                [$begin, $end] = $ruler->scale->ends($n);
                $a = $from < $first ? $begin : $ruler->scale->at($from);
                $b = $to > $last ? $end : $ruler->scale->at($to);
                $d .= 'M'.round($ruler->x($a ?? $begin), 1)." {$y}H".round($ruler->x($b ?? $end), 1);
            }
        }

        return $d === '' ? [] : [Primitive::path('lasting', $d, '', "chalk:{$chalk}", self::LASTING)];
    }

    /** @return list<Primitive> for how long nothing is, where the strip is broken */
    private function breaks(Ruler $ruler): array
    {
        $parts = [];
        $pieces = $ruler->scale->pieces;
        for ($n = 1; $n < count($pieces); $n++) {
            $words = Days::lasting($pieces[$n][0] - $pieces[$n - 1][1]);
            $w = $this->width($words);
            $middle = $ruler->x($ruler->scale->ends($n)[0] - TimeScale::BREAK / 2);
            $parts[] = Primitive::text('ruler-break', $words, round($middle - $w / 2, 2), $ruler->line + 4.5, round($w, 2), self::SIZE, 'soft', Run::BOLD);
        }

        return $parts;
    }
}
