<?php

declare(strict_types=1);

namespace ChalkTree\Edit;

/** Makes text from outside fit to keep: valid UTF-8, one sort of line break, no characters that break other formats. */
final class Wording
{
    /** @throws InvalidEdit where the text is not UTF-8 */
    public static function clean(string $text, ?string $field = null): string
    {
        if (preg_match('/\A[\x20-\x7e\n]*\z/', $text) === 1) {
            return $text;
        }
        if (! mb_check_encoding($text, 'UTF-8')) {
            throw new InvalidEdit('This text is not valid UTF-8.', $field);
        }
        $text = str_replace(["\r\n", "\r", "\u{2028}", "\u{2029}"], "\n", $text);

        return (string) preg_replace('/[\x00-\x08\x0b\x0c\x0e-\x1f\x7f\x{fffe}\x{ffff}]/u', '', $text);
    }

    /** The beginning of a title as plain words, for a sentence about it. */
    public static function excerpt(string $title): string
    {
        $plain = trim((string) preg_replace('/\s+/u', ' ', $title));

        return $plain === '' ? 'an untitled topic' : '“'.mb_strimwidth($plain, 0, 60, '…').'”';
    }

    /** @param  list<string>  $titles */
    public static function several(array $titles): string
    {
        return count($titles) === 1 ? self::excerpt($titles[0]) : count($titles).' topics';
    }
}
