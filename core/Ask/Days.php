<?php

declare(strict_types=1);

namespace ChalkTree\Ask;

use ChalkTree\Edit\Arguments;
use DateTimeImmutable;
use DateTimeZone;

/** Days as YYYY-MM-DD: reckoned with, read from what a person types, and told in words. */
final class Days
{
    private const WEEKDAYS = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'];

    private const MONTHS = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec'];

    /** Days that lie back without a year are of the year to come beyond this. */
    private const BACK = 120;

    private const SPANS = ['today', 'this-week', 'next-week', 'last-week', 'this-month', 'next-month', 'last-month', 'this-quarter', 'next-quarter', 'last-quarter', 'this-year', 'next-year', 'last-year'];

    private const YEAR = '/^[1-9]\d{3}$/D';

    public static function isOne(string $day): bool
    {
        return preg_match('/^(\d{4})-(\d\d)-(\d\d)$/D', $day, $m) === 1 && checkdate((int) $m[2], (int) $m[3], (int) $m[1]);
    }

    /** The day where the person is who makes an edit: its argument "today". */
    public static function given(Arguments $arguments): string
    {
        $today = $arguments->string('today');

        return self::isOne($today) ? $today : throw $arguments->wrong('today', '“today” has to be a day as YYYY-MM-DD.');
    }

    /** Days end where years of four digits do. */
    public static function plus(string $day, int $days): string
    {
        return self::held(self::at($day)->modify(sprintf('%+d days', $days)))->format('Y-m-d');
    }

    private static function held(DateTimeImmutable $day): DateTimeImmutable
    {
        return max(self::at('0001-01-01'), min(self::at('9999-12-31'), $day));
    }

    /** How many days lie between two, the second not counted; negative where it is the earlier one. */
    public static function between(string $from, string $to): int
    {
        return (int) round((self::at($to)->getTimestamp() - self::at($from)->getTimestamp()) / 86400);
    }

    /** How many days it lies behind 1 January 1970; negative where before. */
    public static function number(string $day): int
    {
        return intdiv(self::at($day)->getTimestamp(), 86400);
    }

    public static function numbered(int $number): string
    {
        return self::plus('1970-01-01', $number);
    }

    /** So many days in a measure that says enough: "5 days", "3 weeks", "8 months", "12 years". */
    public static function lasting(int $days): string
    {
        [$count, $word] = match (true) {
            $days < 21 => [$days, 'day'],
            $days < 84 => [(int) round($days / 7), 'week'],
            $days < 730 => [(int) round($days / 30.44), 'month'],
            default => [(int) round($days / 365.25), 'year'],
        };

        return number_format($count)." {$word}".($count === 1 ? '' : 's');
    }

    /** 1 for Monday to 7 for Sunday. */
    public static function weekday(string $day): int
    {
        return (int) self::at($day)->format('N');
    }

    /** The same day of a later month, or its last one. */
    public static function plusMonths(string $day, int $months): string
    {
        $first = self::held(self::at(substr($day, 0, 8).'01')->modify(sprintf('%+d months', $months)));

        return $first->format('Y-m-').sprintf('%02d', min((int) substr($day, 8), (int) $first->format('t')));
    }

    /**
     * What a person typed: "2026-12-05", "5 Dec", "5.12.", "fri", "tomorrow", "+3", "in 2 weeks", "end of month".
     *
     * @return string|null  null where it is no day
     */
    public static function read(string $typed, string $today): ?string
    {
        $typed = mb_strtolower(trim((string) preg_replace('/[\s,]+/u', ' ', $typed)));
        $named = ['today' => 0, 'tomorrow' => 1, 'yesterday' => -1, 'next week' => 7];
        $weekday = array_search(substr($typed, 0, 3), self::WEEKDAYS, true);
        if (isset($named[$typed])) {
            return self::plus($today, $named[$typed]);
        }
        if ($weekday !== false && preg_match('/^(mon|tue|wed|thu|fri|sat|sun)(day|sday|nesday|rsday|urday)?$/D', $typed) === 1) {
            return self::plus($today, ($weekday + 1 - self::weekday($today) + 6) % 7 + 1);
        }
        if (preg_match('/^(?:\+|in )(\d{1,4}) ?(d|days?|w|weeks?|m|months?)?$/D', $typed, $m) === 1) {
            return match (substr($m[2] ?? 'd', 0, 1)) {
                'w' => self::plus($today, 7 * (int) $m[1]),
                'm' => self::plusMonths($today, min(1200, (int) $m[1])),
                default => self::plus($today, (int) $m[1]),
            };
        }
        if ($typed === 'end of month') {
            return self::at($today)->format('Y-m-t');
        }

        return self::isOne($typed) ? $typed : self::dated($typed, $today);
    }

    private static function dated(string $typed, string $today): ?string
    {
        if (preg_match('/^(\d{1,2})\. ?(\d{1,2})\.? ?(\d{4})?$/D', $typed, $m) === 1) {
            return self::ofYear((int) $m[1], (int) $m[2], $m[3] ?? '', $today);
        }
        if (preg_match('/^(\d{1,2})\.? ?([a-z]{3,9})\.? ?(\d{4})?$/D', $typed, $m) === 1 || preg_match('/^(?<m>[a-z]{3,9})\.? (?<d>\d{1,2})(?: (?<y>\d{4}))?$/D', $typed, $m) === 1) {
            [$day, $word, $year] = [$m['d'] ?? $m[1], $m['m'] ?? $m[2], $m['y'] ?? (isset($m['m']) ? '' : $m[3] ?? '')];
            $month = array_search(substr($word, 0, 3), self::MONTHS, true);
            $isMonth = $month !== false && str_starts_with(strtolower(date('F', (int) mktime(0, 0, 0, $month + 1, 1, 2001))), $word);

            return $isMonth ? self::ofYear((int) $day, $month + 1, $year, $today) : null;
        }

        return null;
    }

    /** Without a year it is the next one that there is, or one that has just been. */
    private static function ofYear(int $day, int $month, string $year, string $today): ?string
    {
        if ($year !== '') {
            return checkdate($month, $day, (int) $year) ? sprintf('%04d-%02d-%02d', (int) $year, $month, $day) : null;
        }
        $first = (int) substr($today, 0, 4);
        for ($at = $first - 1; $at <= $first + 8; $at++) {
            if ($month >= 1 && $month <= 12 && checkdate($month, $day, $at) && ($found = sprintf('%04d-%02d-%02d', $at, $month, $day)) >= self::plus($today, -self::BACK)) {
                return $found;
            }
        }

        return null;
    }

    /** Whether span() knows this form. */
    public static function isSpan(string $form): bool
    {
        return in_array($form, self::SPANS, true) || preg_match('/^today[+-]\d{1,4}$/D', $form) === 1 || preg_match(self::YEAR, $form) === 1 || self::isOne($form);
    }

    /**
     * The days that a form means: "today", "today+7", "today-30", "this-week" (from Monday), "next-month", "this-quarter",
     * "last-year", a year as "2025", or a day.
     *
     * @return array{string, string} the first and the last of them
     */
    public static function span(string $form, string $today): array
    {
        if (preg_match('/^today([+-]\d{1,4})?$/D', $form, $m) === 1) {
            $day = self::plus($today, (int) ($m[1] ?? 0));

            return [$day, $day];
        }
        $monday = self::plus($today, 1 - self::weekday($today));
        $first = substr($today, 0, 8).'01';
        $month = fn (int $by): array => [self::plusMonths($first, $by), self::plus(self::plusMonths($first, $by + 1), -1)];
        $quarter = sprintf('%s-%02d-01', substr($today, 0, 4), intdiv((int) substr($today, 5, 2) - 1, 3) * 3 + 1);

        $quarters = fn (int $by): array => [self::plusMonths($quarter, 3 * $by), self::plus(self::plusMonths($quarter, 3 * $by + 3), -1)];
        $year = fn (int $year): array => [sprintf('%04d-01-01', max(1, min(9999, $year))), sprintf('%04d-12-31', max(1, min(9999, $year)))];

        return match ($form) {
            'this-week' => [$monday, self::plus($monday, 6)],
            'next-week' => [self::plus($monday, 7), self::plus($monday, 13)],
            'last-week' => [self::plus($monday, -7), self::plus($monday, -1)],
            'this-month' => $month(0),
            'next-month' => $month(1),
            'last-month' => $month(-1),
            'this-quarter' => $quarters(0),
            'next-quarter' => $quarters(1),
            'last-quarter' => $quarters(-1),
            'this-year' => $year((int) $today),
            'next-year' => $year((int) $today + 1),
            'last-year' => $year((int) $today - 1),
            default => preg_match(self::YEAR, $form) === 1 ? $year((int) $form) : [$form, $form],
        };
    }

    /**
     * The form of span() that words mean: what spanWords() says, what read() knows, "tomorrow", "in 3 days".
     *
     * @return string|null  null where they mean none
     */
    public static function spanOf(string $words, string $today): ?string
    {
        $words = mb_strtolower(trim($words));
        $form = str_replace(' ', '-', $words);
        $near = ['tomorrow' => 'today+1', 'yesterday' => 'today-1'];
        if (in_array($form, self::SPANS, true) || isset($near[$words]) || preg_match(self::YEAR, $words) === 1) {
            return $near[$words] ?? $form;
        }
        if (preg_match('/^today ?([+-]) ?(\d{1,4})$/D', $words, $m) === 1) {
            return "today{$m[1]}{$m[2]}";
        }
        if (preg_match('/^(in )?(\d{1,4}) (day|week)s?( ago| from today)?$/D', $words, $m) === 1 && (($m[4] ?? '') !== '') !== ($m[1] !== '')) {
            $days = (int) $m[2] * ($m[3] === 'week' ? 7 : 1);

            return $days > 9999 ? null : 'today'.(($m[4] ?? '') === ' ago' ? '-' : '+').$days;
        }

        return self::read($words, $today);
    }

    /** A form of span() in words. */
    public static function spanWords(string $form): string
    {
        $near = ['today+1' => 'tomorrow', 'today-1' => 'yesterday'][$form] ?? null;

        return $near ?? (self::isOne($form) ? self::long($form) : (preg_match('/^today([+-])(\d+)$/D', $form, $m) === 1
            ? ($m[2] === '0' ? 'today' : $m[2].' days '.($m[1] === '+' ? 'from today' : 'ago'))
            : str_replace('-', ' ', $form)));
    }

    /** "Fri 5 Dec", with the year where that is another than this one. */
    public static function short(string $day, string $today): string
    {
        /** @var array<string, string> $known the days of a map are few, and each is told many times */
        static $known = [];
        $known = count($known) > 2_000 ? [] : $known;

        return ($known[$day] ??= self::at($day)->format('D j M')).(strncmp($day, $today, 4) === 0 ? '' : ' '.substr($day, 0, 4));
    }

    /** "Friday". */
    public static function dayName(string $day): string
    {
        return self::at($day)->format('l');
    }

    /** "Dec". */
    public static function monthName(string $day): string
    {
        return self::at($day)->format('M');
    }

    /** "5 Dec 2026". */
    public static function long(string $day): string
    {
        return self::at($day)->format('j M Y');
    }

    private static function at(string $day): DateTimeImmutable
    {
        return new DateTimeImmutable("{$day} 00:00:00", new DateTimeZone('UTC'));
    }
}
