<?php

declare(strict_types=1);

namespace ChalkTree\Text;

/**
 * Takes space from the ends of a text: ASCII white space and the blanks beyond it that people paste (no-break,
 * ideographic and zero-width space, byte order mark). Character by character: trim() with a list of such signs would
 * take single bytes, and with them half of an "à". Linear, whatever stands between the ends.
 */
final class Blank
{
    private const SIGNS = ["\u{a0}", "\u{3000}", "\u{feff}", "\u{200b}"];

    public static function trim(string $text): string
    {
        return self::trimStart(self::trimEnd($text));
    }

    public static function trimStart(string $text): string
    {
        $at = 0;
        do {
            $before = $at;
            $at += strspn($text, " \t\n\r\f\v\0", $at);
            foreach (self::SIGNS as $sign) {
                while (substr_compare($text, $sign, $at, strlen($sign)) === 0) {
                    $at += strlen($sign);
                }
            }
        } while ($at > $before);

        return substr($text, $at);
    }

    public static function trimEnd(string $text): string
    {
        do {
            $before = strlen($text);
            $text = rtrim($text);
            foreach (self::SIGNS as $sign) {
                while (str_ends_with($text, $sign)) {
                    $text = substr($text, 0, -strlen($sign));
                }
            }
        } while (strlen($text) < $before);

        return $text;
    }
}
