<?php

declare(strict_types=1);

namespace ChalkTree\Paste;

/**
 * How deep HTML nests, told from its tags alone. The parser takes time with the square of it, and of the number of
 * attributes of a tag, so what has more of either than any page is not given to it.
 */
final class Nesting
{
    /** Elements that are closed by the next of their kind, or never opened; they do not deepen anything by themselves. */
    private const FLAT = [
        'p', 'li', 'dt', 'dd', 'tr', 'td', 'th', 'thead', 'tbody', 'tfoot', 'option', 'colgroup', 'html', 'head', 'body',
        'area', 'base', 'br', 'col', 'embed', 'hr', 'img', 'input', 'link', 'meta', 'param', 'source', 'track', 'wbr',
    ];

    /** Bytes of a tag outside quotation marks; the shortest attribute takes two. */
    private const LONGEST_TAG = 8_000;

    /** @return int the most elements open at once; counting ends beyond the number asked for, and with it a tag of too many attributes */
    public static function depth(string $html, int $most): int
    {
        /** @var array<string, int> $open */
        $open = array_fill_keys(self::FLAT, 0);
        $flat = $open;
        $depth = $deepest = 0;
        for ($at = strpos($html, '<'); $at !== false && $deepest <= $most; $at = strpos($html, '<', $at + 1)) {
            $closes = ($html[$at + 1] ?? '') === '/';
            $from = $at + ($closes ? 2 : 1);
            $length = strcspn($html, " \t\n\r\f/>", $from, 40);
            $tag = strtolower(substr($html, $from, $length));
            if ($tag === '' || ! ctype_alpha($tag[0])) {
                continue;
            }
            if (! self::isReasonable($html, $at)) {
                return $most + 1;
            }
            if (isset($flat[$tag])) {
                continue;
            }
            $by = $closes ? (($open[$tag] ?? 0) > 0 ? -1 : 0) : 1;
            $open[$tag] = ($open[$tag] ?? 0) + $by;
            $depth += $by;
            $deepest = max($deepest, $depth);
        }

        return $deepest;
    }

    /** Whether a tag that begins here has no more attributes than a page would give it; what is quoted does not count. */
    private static function isReasonable(string $html, int $at): bool
    {
        $length = 0;
        while ($length <= self::LONGEST_TAG) {
            $plain = strcspn($html, '"\'>', $at, self::LONGEST_TAG + 1);
            $length += $plain;
            $at += $plain;
            if (($html[$at] ?? '>') === '>') {
                return $length <= self::LONGEST_TAG;
            }
            $end = strpos($html, $html[$at], $at + 1);
            if ($end === false) {
                return true;
            }
            $at = $end + 1;
            $length++;
        }

        return false;
    }
}
