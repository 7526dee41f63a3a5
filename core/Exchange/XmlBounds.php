<?php

declare(strict_types=1);

namespace ChalkTree\Exchange;

use ChalkTree\Map\Bounds;

/**
 * Looks over XML before a parser sees it: how deep it nests, how long one text of it is, how many attributes a tag has.
 * Parsers take memory with the first two and time with the square of the last. One pass over the bytes, no recursion.
 */
final class XmlBounds
{
    /** A topic's deepest level, and the elements around it. */
    private const DEEPEST = Bounds::DEEPEST + 20;

    /** Bytes: the longest note with every sign of it written as an entity. */
    private const LONGEST = 6 * Bounds::LONGEST_NOTE;

    private const MOST_ATTRIBUTES = 200;

    private const MOST_TAGS = 500_000;

    /** @throws UnreadableFile */
    public static function check(string $xml): void
    {
        if (substr_count($xml, '<') > self::MOST_TAGS) {
            throw new UnreadableFile('This file has more than 500,000 tags, more than a map can take in.');
        }
        $depth = 0;
        $at = strpos($xml, '<');
        while ($at !== false) {
            $end = self::endOfTag($xml, $at);
            $depth += self::deepening($xml, $at, $end);
            if ($depth > self::DEEPEST) {
                throw new UnreadableFile('This file is nested more than 1,000 levels deep.');
            }
            $next = strpos($xml, '<', $end);
            self::bound(($next === false ? strlen($xml) : $next) - $end);
            $at = $next;
        }
    }

    private static function deepening(string $xml, int $at, int $end): int
    {
        return match (true) {
            $xml[$at + 1] === '/' => -1,
            $xml[$at + 1] === '!' || $xml[$at + 1] === '?' || $xml[$end - 2] === '/' => 0,
            default => 1,
        };
    }

    /** Where a tag, comment or section that begins here ends: the place behind it. */
    private static function endOfTag(string $xml, int $at): int
    {
        foreach (['<!--' => '-->', '<![CDATA[' => ']]>', '<?' => '?>'] as $open => $close) {
            if (substr_compare($xml, $open, $at, strlen($open)) === 0) {
                $end = strpos($xml, $close, $at + strlen($open));

                return self::bounded($xml, $at, $end === false ? false : $end + strlen($close));
            }
        }
        for ($from = $at, $attributes = 0; ; $attributes++) {
            $from += strcspn($xml, '"\'>', $from);
            if ($from >= strlen($xml) || $attributes > self::MOST_ATTRIBUTES) {
                throw new UnreadableFile($attributes > self::MOST_ATTRIBUTES ? 'A tag in this file has more than 200 attributes.' : self::cutOff());
            }
            if ($xml[$from] === '>') {
                return $from + 1;
            }
            $end = strpos($xml, $xml[$from], $from + 1);
            $from = self::bounded($xml, $from, $end === false ? false : $end + 1);
        }
    }

    private static function bounded(string $xml, int $from, int|false $end): int
    {
        if ($end === false || ! isset($xml[$end - 1])) {
            throw new UnreadableFile(self::cutOff());
        }
        self::bound($end - $from);

        return $end;
    }

    private static function bound(int $length): void
    {
        if ($length > self::LONGEST) {
            throw new UnreadableFile('A text in this file is longer than a note can be, which is 1 MB.');
        }
    }

    private static function cutOff(): string
    {
        return 'This file is not complete XML; it may have been cut off.';
    }
}
