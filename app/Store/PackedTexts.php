<?php

declare(strict_types=1);

namespace App\Store;

/**
 * Many short texts by key in one string, so that one of them is read without taking all apart: a cache in memory hands
 * out a string at once, and a list only when each of its texts has been copied. First comes how long the table is, then
 * the table of keys with where each text begins and how long it is, then the texts. Keys have neither tabs nor line breaks.
 */
final class PackedTexts
{
    private const LENGTH = 8;

    /** @param  array<string, string>  $texts  by key */
    public static function of(array $texts): string
    {
        $table = "\n";
        $at = 0;
        foreach ($texts as $key => $text) {
            $length = strlen($text);
            $table .= "{$key}\t{$at}\t{$length}\n";
            $at += $length;
        }

        return str_pad((string) strlen($table), self::LENGTH, '0', STR_PAD_LEFT).$table.implode('', $texts);
    }

    /** Null where there is none with this key. */
    public static function text(string $packed, string $key): ?string
    {
        $line = strpos($packed, "\n{$key}\t", self::LENGTH);
        $begin = self::LENGTH + (int) substr($packed, 0, self::LENGTH);
        // What stands after the table only looks like a key.
        if ($line === false || $line + 1 >= $begin) {
            return null;
        }
        $at = $line + strlen($key) + 2;
        $tab = (int) strpos($packed, "\t", $at);

        return substr($packed, $begin + (int) substr($packed, $at, $tab - $at), (int) substr($packed, $tab + 1, 12));
    }

    /** @return array<string, string> all of them, by key */
    public static function all(string $packed): array
    {
        $begin = self::LENGTH + $length = (int) substr($packed, 0, self::LENGTH);
        $texts = [];
        foreach (explode("\n", substr($packed, self::LENGTH + 1, $length - 2)) as $line) {
            if ($line !== '') {
                [$key, $at, $long] = explode("\t", $line);
                $texts[$key] = substr($packed, $begin + (int) $at, (int) $long);
            }
        }

        return $texts;
    }
}
