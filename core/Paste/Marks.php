<?php

declare(strict_types=1);

namespace ChalkTree\Paste;

/** Recognises bullets and numbers at the beginning of lines. What only looks like a number is told by the other lines. */
final class Marks
{
    /** Signs that need a space after them to be bullets, and those that never begin a word. */
    private const BULLET = '/\A(?:([-–—−*+»>])[ \t\x{a0}]+|([•‣◦▪▫●○◉◆◇■□▶►▸▹➤➢➔→⇒·∙✓✔✗✘☐☑☒❖★☆※\x{f0a7}\x{f0b7}\x{f0fc}])[ \t\x{a0}]*|(o)(?:\t|[ \x{a0}]{2,}))(?:\[([ xX])\][ \t]+)?/u';

    private const TASK = '/\A\[[ xX]\][ \t]+/';

    private const EMPTY = '/\A(?:[-–—−*+]|[•‣◦▪▫●○◉◆◇■□▶►▸▹➤➢➔·∙☐☑☒❖※]|\(?\d{1,3}[.)]|\(?[a-zA-Z]\))[ \t\x{a0}]*(?:\[[ xX]\][ \t\x{a0}]*)?\z/u';

    private const DECIMAL = '/\A(\(?)(\d{1,3}(?:\.\d{1,3}){0,8})(\.\)|[.)]?)[ \t\x{a0}]+(?=\S)/u';

    private const SECTION = '/\A§§?[ \t\x{a0}]*(\d{1,4}(?:\.\d{1,3}){0,8})[.)]?[ \t\x{a0}]+(?=\S)/u';

    private const LETTER = '/\A(\(?)([A-Za-z]|[ivxlcdm]{2,7}|[IVXLCDM]{2,7})([.)])[ \t\x{a0}]+(?=\S)/u';

    /** Whether a line is a bullet or number with nothing after it. */
    public static function isEmptyItem(string $line): bool
    {
        return preg_match(self::EMPTY, $line) === 1;
    }

    /**
     * Finds the marks of lines and takes them from their text.
     *
     * @param  list<RawLine>  $lines
     */
    public static function find(array $lines): void
    {
        $numbers = [];
        foreach ($lines as $i => $line) {
            if ($line->heading > 0 || $line->mark !== null || $line->sort === 'row') {
                continue;
            }
            if (preg_match(self::BULLET, $line->text, $m) === 1) {
                self::take($line, $m[0], new Mark(self::sign($m[0]), ($m[1] ?? '').($m[2] ?? '').($m[3] ?? '')));
            } elseif (preg_match(self::TASK, $line->text, $m) === 1) {
                self::take($line, $m[0], new Mark(trim($m[0]), '[ ]'));
            } elseif (preg_match(self::SECTION, $line->text, $m) === 1) {
                self::take($line, $m[0], new Mark(self::sign($m[0]), '§', array_map(intval(...), explode('.', $m[1]))));
            } elseif (preg_match(self::DECIMAL, $line->text, $m) === 1) {
                $values = array_map(intval(...), explode('.', $m[2]));
                $numbers[$i] = [$m[0], new Mark(self::sign($m[0]), $m[1].'1'.(count($values) === 1 ? $m[3] : ''), $values), $m[3] !== ''];
            } elseif (preg_match(self::LETTER, $line->text, $m) === 1) {
                $numbers[$i] = [$m[0], self::lettered($numbers, $m), true];
            }
        }
        self::settle($lines, $numbers);
    }

    /**
     * Whether "i" is a letter or a Roman number is told by what came before.
     *
     * @param  array<int, array{string, Mark, bool}>  $numbers
     * @param  array<int, string>  $m
     */
    private static function lettered(array $numbers, array $m): Mark
    {
        $sign = $m[1].$m[2].$m[3];
        $isUpper = ctype_upper($m[2]);
        $letter = strlen($m[2]) === 1 ? new Mark($sign, $m[1].($isUpper ? 'A' : 'a').$m[3], [ord(strtolower($m[2])) - ord('a') + 1]) : null;
        $value = self::roman(strtolower($m[2]));
        $roman = $value === null ? null : new Mark($sign, $m[1].($isUpper ? 'I' : 'i').$m[3], [$value]);
        if ($letter === null || $roman === null) {
            return $letter ?? $roman ?? new Mark($sign, $sign, [1]);
        }
        for ($mark = end($numbers); $mark !== false; $mark = prev($numbers)) {
            if ($mark[1]->style === $letter->style && $letter->values[0] === $mark[1]->values[0] + 1) {
                return $letter;
            }
            if ($mark[1]->style === $roman->style && $roman->values[0] === $mark[1]->values[0] + 1) {
                return $roman;
            }
        }

        return strtolower($m[2]) === 'i' ? $roman : $letter;
    }

    private static function roman(string $text): ?int
    {
        if (preg_match('/\Am{0,3}(?:cm|cd|d?c{0,3})(?:xc|xl|l?x{0,3})(?:ix|iv|v?i{0,3})\z/', $text) !== 1) {
            return null;
        }
        $signs = ['m' => 1000, 'd' => 500, 'c' => 100, 'l' => 50, 'x' => 10, 'v' => 5, 'i' => 1];
        $value = 0;
        for ($i = 0; $i < strlen($text); $i++) {
            $here = $signs[$text[$i]];
            $value += $here < ($signs[$text[$i + 1] ?? ''] ?? 0) ? -$here : $here;
        }

        return $value;
    }

    /**
     * A number counts if it stands in a row with others: "1.5 litres" and "A. Somebody" do not, nor do letters that are
     * not next to each other in the alphabet, which are initials.
     *
     * @param  list<RawLine>  $lines
     * @param  array<int, array{string, Mark, bool}>  $numbers
     */
    private static function settle(array $lines, array $numbers): void
    {
        $paths = [];
        $styles = [];
        $counted = [];
        foreach ($numbers as [, $mark]) {
            $paths[implode('.', $mark->values)] = true;
            $styles[$mark->style] = ($styles[$mark->style] ?? 0) + 1;
            $counted[$mark->style][$mark->values[0]] = true;
        }
        foreach ($numbers as $i => [$taken, $mark, $isPunctuated]) {
            $values = $mark->values;
            if (preg_match('/[a-zA-Z]/', $mark->sign) === 1) {
                $counts = self::isLetterOfARow($counted[$mark->style], $mark);
            } elseif (count($values) === 1) {
                $counts = $isPunctuated ? $styles[$mark->style] > 1 || $values[0] <= 1 : isset($paths["{$values[0]}.1"]);
            } else {
                $last = array_pop($values);
                $counts = isset($paths[implode('.', $last <= 1 ? $values : [...$values, $last - 1])]) || isset($paths[implode('.', [...$values, $last + 1])]);
            }
            if ($counts) {
                $isDecimal = preg_match('/\d/', $mark->sign) === 1;
                self::take($lines[$i], $taken, $isDecimal && ! str_starts_with($mark->sign, '(') && ! str_ends_with($mark->sign, ')') ? new Mark($mark->sign, 'decimal', $mark->values) : $mark);
            }
        }
    }

    /**
     * @param  array<int, true>  $values  all that marks of this style count
     */
    private static function isLetterOfARow(array $values, Mark $mark): bool
    {
        $value = $mark->values[0];
        if (preg_match('/\A[A-Z]\.\z/', $mark->sign) !== 1) {
            return isset($values[$value - 1]) || isset($values[$value + 1]);
        }
        // A capital with a full stop may be an initial, so the row has to begin at its beginning.
        for ($n = 1; $n < $value; $n++) {
            if (! isset($values[$n])) {
                return false;
            }
        }

        return $value > 1 || isset($values[2]);
    }

    private static function sign(string $taken): string
    {
        return (string) preg_replace('/[\s\x{a0}]+\z/u', '', $taken);
    }

    private static function take(RawLine $line, string $taken, Mark $mark): void
    {
        $line->text = ltrim(substr($line->text, strlen($taken)));
        $line->mark = $mark;
    }
}
