<?php

declare(strict_types=1);

namespace ChalkTree\Text;

/**
 * In which direction text is written, by the first letter in it that has one, as rules P2 and P3 of the Unicode
 * Bidirectional Algorithm (UAX #9) find the direction of a paragraph.
 */
final class Direction
{
    /** The letters of scripts that run from right to left. */
    private const RIGHT_TO_LEFT = '\x{590}-\x{8FF}\x{FB1D}-\x{FDFF}\x{FE70}-\x{FEFC}\x{10800}-\x{10FFF}\x{1E800}-\x{1EFFF}';

    /** With which bytes such letters can begin in UTF-8; most texts have none of them. */
    private const BEGINNINGS = "\xD6\xD7\xD8\xD9\xDA\xDB\xDC\xDD\xDE\xDF\xE0\xEF\xF0";

    public static function isRightToLeft(string $text): bool
    {
        return self::isMaybe($text) && preg_match('/^\P{L}*['.self::RIGHT_TO_LEFT.']/u', $text) === 1;
    }

    /**
     * Places the runs of a line as they are seen: from the end from which the line is read, and those of the other
     * direction that stand beside each other in theirs.
     *
     * @param  list<array{x: float, w: float, run: Run}>  $parts  as they follow each other in the text, from 0
     * @return list<array{x: float, w: float, run: Run}>
     */
    public static function placed(array $parts, float $width, bool $isRightToLeft): array
    {
        if (count($parts) < 2 || (! $isRightToLeft && ! self::isMaybe(implode('', array_map(fn (array $part): string => $part['run']->text, $parts))))) {
            return $parts;
        }
        $placed = [];
        $at = 0.0;
        foreach (self::blocks($parts, $isRightToLeft) as [$isOther, $block]) {
            $wide = array_sum(array_column($block, 'w'));
            // Where it runs against the line, its first one stands last.
            $within = $isOther ? $wide : 0.0;
            foreach ($block as $part) {
                $within -= $isOther ? $part['w'] : 0.0;
                $from = $at + $within;
                $placed[] = ['x' => $isRightToLeft ? $width - $from - $part['w'] : $from] + $part;
                $within += $isOther ? 0.0 : $part['w'];
            }
            $at += $wide;
        }

        return $placed;
    }

    /**
     * @param  list<array{x: float, w: float, run: Run}>  $parts
     * @return list<array{bool, list<array{x: float, w: float, run: Run}>}> whether they run against the line; what has no direction goes with what is around it
     */
    private static function blocks(array $parts, bool $isRightToLeft): array
    {
        $kinds = array_map(fn (array $part): ?bool => preg_match('/\p{L}/u', $part['run']->text) === 1 ? self::isRightToLeft($part['run']->text) !== $isRightToLeft : null, $parts);
        $blocks = [];
        $count = count($parts);
        for ($from = 0; $from < $count; $from = $to + 1) {
            $to = $from;
            for ($next = $from; $kinds[$from] === true && $next < $count && $kinds[$next] !== false; $next++) {
                $to = $kinds[$next] === true ? $next : $to;
            }
            $blocks[] = [$kinds[$from] === true, array_slice($parts, $from, $to - $from + 1)];
        }

        return $blocks;
    }

    private static function isMaybe(string $text): bool
    {
        return strpbrk($text, self::BEGINNINGS) !== false;
    }
}
