<?php

declare(strict_types=1);

namespace ChalkTree\Ask;

use ChalkTree\Map\Field;

/** Names of people, kept one a line. */
final class People
{
    /** Letters of a name. */
    public const LONGEST = 100;

    public const MOST = 60;

    public static function field(): Field
    {
        return Field::formed(fn (string $text): bool => self::fits($text), 4 * self::MOST * (self::LONGEST + 1), 'be names, one a line, at most '.self::MOST);
    }

    /** Whether lines are fit to keep: each of some letters, none twice. */
    public static function fits(string $text, int $most = self::MOST, int $longest = self::LONGEST): bool
    {
        $lines = explode("\n", $text);

        return count($lines) <= $most && count(array_unique($lines)) === count($lines)
            && array_filter($lines, fn (string $line): bool => preg_match('/^\P{C}{1,'.$longest.'}$/uD', $line) === 1 && trim($line) === $line) === $lines;
    }

    /**
     * Names as a person types them, with commas or in lines.
     *
     * @return string|null  one a line; null where there are too many, or one is too long
     */
    public static function read(string $typed): ?string
    {
        $names = array_values(array_unique(array_filter(array_map(fn (string $name): string => trim((string) preg_replace('/\s+/u', ' ', $name)), preg_split('/[,;\n]/u', $typed) ?: []), fn (string $name): bool => $name !== '')));
        $text = implode("\n", $names);

        return $text === '' || self::fits($text) ? $text : null;
    }

    /** @return list<string> */
    public static function all(string $kept): array
    {
        return $kept === '' ? [] : explode("\n", $kept);
    }
}
