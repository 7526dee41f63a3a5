<?php

declare(strict_types=1);

namespace App\Find;

/** Text as the words by which it is found: small letters without accents, letters and digits only. */
final class Tokens
{
    private const LONGEST = 40;

    /** @return list<string> each once, in their order */
    public static function of(string $text): array
    {
        if (preg_match('/[^\x20-\x7e\n]/', $text) === 1) {
            $text = (string) preg_replace('/\p{Mn}+/u', '', (string) normalizer_normalize($text, \Normalizer::FORM_KD));
        }
        preg_match_all('/[\p{L}\p{N}]+/u', mb_strtolower($text), $words);

        return array_values(array_unique(array_map(fn (string $word): string => mb_substr($word, 0, self::LONGEST), $words[0])));
    }

    /** @return list<string> the three-letter pieces of a word, its ends marked */
    public static function grams(string $word): array
    {
        $marked = "^{$word}$";
        $grams = [];
        for ($i = 0, $last = mb_strlen($marked) - 3; $i <= $last; $i++) {
            $grams[] = mb_substr($marked, $i, 3);
        }

        return array_values(array_unique($grams));
    }

    /**
     * How far a word is from what was typed, from 1 (the same) to 0: it may be begun only, and up to a fourth of its
     * letters may be wrong.
     */
    public static function likeness(string $typed, string $word): float
    {
        if ($typed === $word) {
            return 1.0;
        }
        if (str_starts_with($word, $typed)) {
            return 0.9 - 0.1 * min(1.0, (strlen($word) - strlen($typed)) / 20);
        }
        $length = strlen($typed);
        if ($length < 3 || strlen($word) < 3) {
            return 0.0;
        }
        // As much of the word as was typed counts, one letter more or less.
        $distance = min(levenshtein($typed, $word), levenshtein($typed, substr($word, 0, $length)), levenshtein($typed, substr($word, 0, $length + 1)));
        $allowed = $length < 4 ? 1 : max(1, intdiv($length, 4) + ($length >= 6 ? 1 : 0));

        return $distance > $allowed ? 0.0 : 0.7 - 0.15 * $distance;
    }
}
