<?php

declare(strict_types=1);

namespace ChalkTree\Map;

use InvalidArgumentException;

/**
 * Ranks are short strings that order siblings byte by byte and leave room between any two, so that a move writes one
 * row. A rank is a whole number of variable length (its first letter says how many digits follow: "a" one, "b" two,
 * … and "Z", "Y", … the same below zero) and then, where needed, a fraction. Adding at the end counts on, so long
 * lists keep short ranks.
 *
 * The method is the one described by David Greenspan, "Implementing fractional indexing" (2020).
 */
final class Rank
{
    private const DIGITS = '0123456789ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz';

    private const FIRST = 'a0';

    /** A rank after $low and before $high; null stands for the open end. */
    public static function between(?string $low, ?string $high): string
    {
        if ($low !== null && $high !== null && strcmp($low, $high) >= 0) {
            throw new InvalidArgumentException("There is no room between the ranks {$low} and {$high}.");
        }
        if ($low === null) {
            return $high === null ? self::FIRST : self::before($high);
        }
        if ($high === null) {
            $whole = self::whole($low);

            return self::countUp($whole) ?? $whole.self::middle(substr($low, strlen($whole)), null);
        }
        $lowWhole = self::whole($low);
        $highWhole = self::whole($high);
        if ($lowWhole === $highWhole) {
            return $lowWhole.self::middle(substr($low, strlen($lowWhole)), substr($high, strlen($highWhole)));
        }
        $next = self::countUp($lowWhole);

        return $next !== null && strcmp($next, $high) < 0
            ? $next
            : $lowWhole.self::middle(substr($low, strlen($lowWhole)), null);
    }

    /**
     * Several ranks in a row between two others.
     *
     * @return list<string>
     */
    public static function run(?string $low, ?string $high, int $count): array
    {
        if ($count < 1) {
            return [];
        }
        if ($high === null) {
            $ranks = [];
            for ($i = 0; $i < $count; $i++) {
                $ranks[] = $low = self::between($low, null);
            }

            return $ranks;
        }
        $half = intdiv($count, 2);
        $middle = self::between($low, $high);

        return [...self::run($low, $middle, $half), $middle, ...self::run($middle, $high, $count - $half - 1)];
    }

    /** Whether a text is a rank, with room on both sides. */
    public static function isRight(string $rank): bool
    {
        $letter = $rank[0] ?? '';
        if (preg_match('/^[a-zA-Z][0-9A-Za-z]{1,199}$/D', $rank) !== 1) {
            return false;
        }
        $length = $letter >= 'a' ? ord($letter) - ord('a') + 2 : ord('Z') - ord($letter) + 2;
        $fraction = substr($rank, $length);

        return strlen($rank) >= $length && ($fraction === '' || $fraction[-1] !== '0') && $rank !== 'A'.str_repeat('0', 26);
    }

    private static function before(string $high): string
    {
        $whole = self::whole($high);
        if ($high !== $whole) {
            return $whole;
        }

        return self::countDown($whole) ?? throw new InvalidArgumentException('The ranks below zero are used up.');
    }

    private static function whole(string $rank): string
    {
        $letter = $rank[0] ?? '';
        $length = match (true) {
            $letter >= 'a' && $letter <= 'z' => ord($letter) - ord('a') + 2,
            $letter >= 'A' && $letter <= 'Z' => ord('Z') - ord($letter) + 2,
            default => throw new InvalidArgumentException("“{$rank}” is not a rank."),
        };
        if (strlen($rank) < $length) {
            throw new InvalidArgumentException("“{$rank}” is not a rank.");
        }

        return substr($rank, 0, $length);
    }

    /** The fraction halfway between two fractions; null is one. */
    private static function middle(string $low, ?string $high): string
    {
        $shared = '';
        if ($high !== null) {
            $n = 0;
            while ($n < strlen($high) && ($low[$n] ?? '0') === $high[$n]) {
                $n++;
            }
            $shared = substr($high, 0, $n);
            $low = substr($low, $n);
            $high = substr($high, $n);
        }
        while (true) {
            $from = $low === '' ? 0 : (int) strpos(self::DIGITS, $low[0]);
            $to = $high === null || $high === '' ? strlen(self::DIGITS) : (int) strpos(self::DIGITS, $high[0]);
            if ($to - $from > 1) {
                return $shared.self::DIGITS[intdiv($from + $to + 1, 2)];
            }
            if ($high !== null && strlen($high) > 1) {
                return $shared.$high[0];
            }
            $shared .= self::DIGITS[$from];
            $low = substr($low, 1);
            $high = null;
        }
    }

    private static function countUp(string $whole): ?string
    {
        $letter = $whole[0];
        $digits = str_split(substr($whole, 1));
        for ($i = count($digits) - 1; $i >= 0; $i--) {
            $d = (int) strpos(self::DIGITS, $digits[$i]) + 1;
            if ($d < strlen(self::DIGITS)) {
                $digits[$i] = self::DIGITS[$d];

                return $letter.implode('', $digits);
            }
            $digits[$i] = '0';
        }
        if ($letter === 'Z') {
            return 'a0';
        }
        if ($letter === 'z') {
            return null;
        }
        $next = chr(ord($letter) + 1);

        return $next.implode('', $next > 'a' ? [...$digits, '0'] : array_slice($digits, 1));
    }

    private static function countDown(string $whole): ?string
    {
        $letter = $whole[0];
        $last = self::DIGITS[strlen(self::DIGITS) - 1];
        $digits = str_split(substr($whole, 1));
        for ($i = count($digits) - 1; $i >= 0; $i--) {
            $d = (int) strpos(self::DIGITS, $digits[$i]) - 1;
            if ($d >= 0) {
                $digits[$i] = self::DIGITS[$d];

                return $letter.implode('', $digits);
            }
            $digits[$i] = $last;
        }
        if ($letter === 'a') {
            return 'Z'.$last;
        }
        if ($letter === 'A') {
            return null;
        }
        $next = chr(ord($letter) - 1);

        return $next.implode('', $next < 'Z' ? [...$digits, $last] : array_slice($digits, 1));
    }
}
