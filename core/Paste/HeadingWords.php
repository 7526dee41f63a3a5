<?php

declare(strict_types=1);

namespace ChalkTree\Paste;

/**
 * Finds lines that read as headings over what follows them, though nothing but their wording says so: a pattern with a
 * counter ("Day 1", "Day 2"), a closing colon, or a short line at the head of each block between blank lines.
 */
final class HeadingWords
{
    private const LONGEST = 80;

    private const NUMBER = '\d{1,3}|[IVXLC]{1,6}|one|two|three|four|five|six|seven|eight|nine|ten|[A-Z]';

    /**
     * @param  list<RawLine>  $lines
     * @return array<int, string> the style of such lines, by their index; lines of one style are of one level
     */
    public static function in(array $lines): array
    {
        return self::counters($lines) + self::colons($lines) + self::blocks($lines);
    }

    /** Whether a style is one of these and not a mark's. */
    public static function isStyle(string $style): bool
    {
        return $style === 'colon' || $style === 'block' || str_starts_with($style, 'counter ');
    }

    /**
     * @param  list<RawLine>  $lines
     * @return array<int, string>
     */
    private static function counters(array $lines): array
    {
        $found = [];
        foreach ($lines as $i => $line) {
            if (self::isPlain($line) && preg_match('/\A(\p{L}[\p{L} ]{0,30}?)\s+(?:'.self::NUMBER.')(?:\s*[:.)–—-].*|\s*)\z/u', $line->text, $m) === 1) {
                $found['counter '.mb_strtolower($m[1])][] = $i;
            }
        }
        $styles = [];
        foreach ($found as $style => $places) {
            $apart = 0;
            foreach ($places as $n => $i) {
                $apart += $n > 0 && $i - $places[$n - 1] > 1 ? 1 : 0;
            }
            if (count($places) > 1 && $apart > 0) {
                $styles += array_fill_keys($places, $style);
            }
        }

        return $styles;
    }

    /**
     * @param  list<RawLine>  $lines
     * @return array<int, string>
     */
    private static function colons(array $lines): array
    {
        $styles = [];
        foreach ($lines as $i => $line) {
            if (isset($lines[$i + 1]) && $lines[$i + 1]->depth === null && self::isPlain($line) && preg_match('/[:：]\**\z/u', $line->text) === 1) {
                $styles[$i] = 'colon';
            }
        }

        return $styles;
    }

    /**
     * @param  list<RawLine>  $lines
     * @return array<int, string>
     */
    private static function blocks(array $lines): array
    {
        $styles = [];
        foreach ($lines as $i => $line) {
            $heads = ($i === 0 || $line->gap) && isset($lines[$i + 1]) && ! $lines[$i + 1]->gap;
            if (! $heads) {
                continue;
            }
            if (! self::isPlain($line) || ! self::isPlain($lines[$i + 1]) || mb_strlen($line->text) > 60 || preg_match('/[.,;!?…]\z/u', $line->text) === 1) {
                return [];
            }
            $styles[$i] = 'block';
        }

        return count($styles) > 1 ? $styles : [];
    }

    private static function isPlain(RawLine $line): bool
    {
        return $line->sort === 'plain' && $line->mark === null && $line->heading === 0 && $line->depth === null && mb_strlen($line->text) <= self::LONGEST;
    }
}
