<?php

declare(strict_types=1);

namespace ChalkTree\Look;

/** How well colours can be told apart, by the ratio that WCAG 2.2 defines; colours are "#rrggbb". */
final class Contrast
{
    /** What text needs against its ground, and what lines need. */
    public const TEXT = 4.5;

    public const LINE = 3.0;

    /** What text needs on the board of high contrast. */
    public const STRONG_TEXT = 7.0;

    private const STEPS = 40;

    /** From 1, no difference, to 21. */
    public static function ratio(string $a, string $b): float
    {
        [$x, $y] = [self::luminance($a), self::luminance($b)];

        return (max($x, $y) + 0.05) / (min($x, $y) + 0.05);
    }

    /**
     * The colour nearest to one that has a ratio against all of some grounds: made darker or lighter step by step.
     *
     * @param  non-empty-list<string>  $grounds
     */
    public static function passing(string $colour, array $grounds, float $ratio): string
    {
        if (self::least($colour, $grounds) >= $ratio) {
            return $colour;
        }
        $isDark = array_sum(array_map(self::luminance(...), $grounds)) / count($grounds) < 0.18;
        [$end, $passes] = [$isDark ? '#ffffff' : '#000000', self::STEPS];
        // The nearer to the end, the higher the ratio, so the first step that passes is found by halving.
        for ($fails = 0; $passes - $fails > 1;) {
            $step = intdiv($passes + $fails + 1, 2);
            $isEnough = self::least(self::mixed($colour, $end, $step / self::STEPS), $grounds) >= $ratio;
            [$fails, $passes] = $isEnough ? [$fails, $step] : [$step, $passes];
        }

        return $passes === self::STEPS ? $end : self::mixed($colour, $end, $passes / self::STEPS);
    }

    /** @param  non-empty-list<string>  $grounds */
    private static function least(string $colour, array $grounds): float
    {
        return min(array_map(fn (string $ground): float => self::ratio($colour, $ground), $grounds));
    }

    private static function luminance(string $colour): float
    {
        // Few colours are asked for, and those again and again.
        /** @var array<string, float> $known */
        static $known = [];
        if (isset($known[$colour])) {
            return $known[$colour];
        }
        $linear = array_map(fn (int $part): float => ($part /= 255) <= 0.04045 ? $part / 12.92 : (($part + 0.055) / 1.055) ** 2.4, self::parts($colour));

        return $known[$colour] = 0.2126 * $linear[0] + 0.7152 * $linear[1] + 0.0722 * $linear[2];
    }

    /** A colour with so much of another in it, from 0 to 1. */
    public static function mixed(string $colour, string $with, float $part): string
    {
        return sprintf('#%02x%02x%02x', ...array_map(fn (int $own, int $other): int => (int) round($own + ($other - $own) * $part), self::parts($colour), self::parts($with)));
    }

    public static function isColour(string $text): bool
    {
        return preg_match('/^#[0-9a-f]{6}$/D', $text) === 1;
    }

    /** @return array{int, int, int} */
    private static function parts(string $colour): array
    {
        return [(int) hexdec(substr($colour, 1, 2)), (int) hexdec(substr($colour, 3, 2)), (int) hexdec(substr($colour, 5, 2))];
    }
}
