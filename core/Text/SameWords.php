<?php

declare(strict_types=1);

namespace ChalkTree\Text;

/** What two texts have in common that say the same: the words that matter, in whatever order, with whatever capitals and articles they are written. */
final class SameWords
{
    private const ARTICLES = ['a', 'an', 'the'];

    /** Equal for two texts that say the same. */
    public static function key(string $text): string
    {
        $words = preg_split('/[^\p{L}\p{N}]+/u', mb_strtolower($text), -1, PREG_SPLIT_NO_EMPTY);
        $telling = array_diff($words === false ? [] : $words, self::ARTICLES);
        // What is nothing but signs or an article is held to as it is.
        $telling = $telling === [] ? [trim(mb_strtolower($text))] : $telling;
        sort($telling);

        return implode(' ', $telling);
    }
}
