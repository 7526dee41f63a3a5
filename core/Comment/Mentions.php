<?php

declare(strict_types=1);

namespace ChalkTree\Comment;

/** Whom a text names: “@Ines”, “@Ines Marsh”, in any case of letters, where no letter or digit stands before or goes on. */
final class Mentions
{
    /**
     * By the whole name or, where only one person has it, by its first word. Where several names fit at a place the
     * longest is meant.
     *
     * @param  array<int, string>  $names  of all who can be named, by person
     * @return list<int> who is named, each once, in the order of the text
     */
    public static function in(string $text, array $names): array
    {
        $called = self::called($names);
        if (! str_contains($text, '@') || $called === []) {
            return [];
        }
        uksort($called, fn (string|int $a, string|int $b): int => strlen((string) $b) <=> strlen((string) $a));
        $found = [];
        // Places of an at sign are few, and names are compared there as they stand.
        foreach (preg_match_all('/(?<![\p{L}\p{N}])@/u', $text, $m, PREG_OFFSET_CAPTURE) > 0 ? $m[0] : [] as [, $at]) {
            $rest = self::plain(mb_strcut($text, $at + 1, 1000));
            foreach ($called as $name => $person) {
                $name = (string) $name;
                if (str_starts_with($rest, $name) && preg_match('/\A[\p{L}\p{N}]/u', substr($rest, strlen($name))) !== 1) {
                    $found[$person] = $person;
                    break;
                }
            }
        }

        return array_values($found);
    }

    /**
     * @param  array<int, string>  $names
     * @return array<string, int> persons by what they are called
     */
    private static function called(array $names): array
    {
        $firsts = array_count_values(array_filter(array_map(fn (string $name): string => explode(' ', self::plain($name))[0], $names), fn (string $first): bool => $first !== ''));
        $called = [];
        foreach ($names as $person => $name) {
            $whole = self::plain($name);
            $first = explode(' ', $whole)[0];
            if ($whole !== '') {
                $called[$whole] ??= $person;
            }
            if ($first !== '' && $firsts[$first] === 1) {
                $called[$first] ??= $person;
            }
        }

        return $called;
    }

    private static function plain(string $text): string
    {
        return trim((string) preg_replace('/[\s\x{a0}]+/u', ' ', mb_strtolower($text)));
    }
}
