<?php

declare(strict_types=1);

namespace ChalkTree\Text;

/**
 * Counts words of a note as writers count them: what stands between blanks and has a letter or a digit in it, so that
 * "half-hour" and "don't" are one; of what is written without blanks each sign. Addresses of links are no text, nor is what
 * one says to oneself.
 */
final class WordCount
{
    private const LINK = '/\]\([^()\s]*(?:\([^()\s]*\)[^()\s]*)*\)/';

    /** Chinese and Japanese. */
    private const UNSPACED = '/[\x{3040}-\x{30ff}\x{3400}-\x{4dbf}\x{4e00}-\x{9fff}]/u';

    public static function of(string $markdown): int
    {
        $markdown = Asides::without($markdown);
        $text = str_contains($markdown, '](') ? (string) preg_replace(self::LINK, ']', $markdown) : $markdown;
        $signs = 0;
        if (preg_match(self::UNSPACED, $text) === 1) {
            $text = (string) preg_replace(self::UNSPACED, ' ', $text, count: $signs);
        }
        // A dash between two words parts them, however it is set; so does where a footnote begins.
        $text = str_replace(['—', '–', '…', '/', '^['], ' ', $text);

        return $signs + (int) preg_match_all('/[\p{L}\p{N}]\S*/u', $text);
    }
}
