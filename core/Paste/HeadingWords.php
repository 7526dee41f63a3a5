<?php

declare(strict_types=1);

namespace ChalkTree\Paste;

use ChalkTree\Text\InlineMarkdown;
use ChalkTree\Text\Run;

/**
 * Finds lines that read as headings over what follows them, though nothing but their wording says so: a pattern with a
 * counter ("Day 1", "Day 2"), a closing colon, a short line at the head of each block between blank lines or, alone before
 * a blank line, over everything; lines that recur in several groups ("Morning" in each day), and what leads in a list.
 */
final class HeadingWords
{
    /** The style of a line that leads in the list after it, and stands above nothing else. */
    public const LEAD = 'lead';

    private const LONGEST = 80;

    private const NUMBER = '\d{1,3}|[IVXLC]{1,6}|one|two|three|four|five|six|seven|eight|nine|ten|[A-Z]';

    /**
     * @param  list<RawLine>  $lines
     * @return array<int, string> the style of such lines, by their index; lines of one style are of one level
     */
    public static function in(array $lines): array
    {
        $styles = self::counters($lines) + self::colons($lines) + self::blocks($lines) + self::title($lines);
        $styles += self::recurring($lines, $styles);

        return $styles + self::leads($lines);
    }

    /** Whether a style is one of these and not a mark's. */
    public static function isStyle(string $style): bool
    {
        return in_array($style, ['colon', 'block', 'title', 'recurring'], true) || str_starts_with($style, 'counter ');
    }

    /**
     * @param  list<RawLine>  $lines
     * @return array<int, string>
     */
    private static function counters(array $lines): array
    {
        $found = [];
        foreach ($lines as $i => $line) {
            if (self::isPlain($line) && preg_match('/\A(\p{L}[\p{L} ]{0,30}?)\s+(?:'.self::NUMBER.')(?:\s*[:.)–—-].*|\s*)\z/u', $line->text, $m) === 1) {
                $found['counter '.mb_strtolower($m[1])][] = $i;
            }
        }
        $styles = [];
        foreach ($found as $style => $places) {
            $apart = 0;
            foreach ($places as $n => $i) {
                $apart += $n > 0 && $i - $places[$n - 1] > 1 ? 1 : 0;
            }
            if (count($places) > 1 && $apart > 0) {
                $styles += array_fill_keys($places, $style);
            }
        }

        return $styles;
    }

    /**
     * @param  list<RawLine>  $lines
     * @return array<int, string>
     */
    private static function colons(array $lines): array
    {
        $styles = [];
        foreach ($lines as $i => $line) {
            if (isset($lines[$i + 1]) && $lines[$i + 1]->depth === null && self::isPlain($line) && preg_match('/[:：]\**\z/u', $line->text) === 1) {
                $styles[$i] = 'colon';
            }
        }

        return $styles;
    }

    /**
     * @param  list<RawLine>  $lines
     * @return array<int, string>
     */
    private static function blocks(array $lines): array
    {
        $styles = [];
        foreach ($lines as $i => $line) {
            $heads = ($i === 0 || $line->gap) && isset($lines[$i + 1]) && ! $lines[$i + 1]->gap;
            if (! $heads) {
                continue;
            }
            if (! self::isPlain($line) || ! self::isPlain($lines[$i + 1]) || mb_strlen($line->text) > 60 || preg_match('/[.,;!?…]\z/u', $line->text) === 1) {
                return [];
            }
            $styles[$i] = 'block';
        }

        return count($styles) > 1 ? $styles : [];
    }

    /**
     * A short first line, alone before a blank line, with lines of its own kind after it.
     *
     * @param  list<RawLine>  $lines
     * @return array<int, string>
     */
    private static function title(array $lines): array
    {
        if (count($lines) < 3 || ! self::isPlain($lines[0]) || ! $lines[1]->gap || preg_match('/[.,;!?…]\z/u', $lines[0]->text) === 1) {
            return [];
        }
        $isList = $hasEqual = false;
        foreach (array_slice($lines, 1) as $i => $line) {
            // Where every line stands between blank ones they are paragraphs.
            $isList = $isList || ($i > 0 && ! $line->gap);
            $hasEqual = $hasEqual || (self::isPlain($line) && $line->column === $lines[0]->column);
            if ($line->heading > 0 || $line->depth !== null || $line->column < $lines[0]->column) {
                return [];
            }
        }

        return $isList && $hasEqual ? [0 => 'title'] : [];
    }

    /**
     * Lines that stand once in each of several groups, with something below them each time.
     *
     * @param  list<RawLine>  $lines
     * @param  array<int, string>  $heads  what is known to read as a heading already
     * @return array<int, string>
     */
    private static function recurring(array $lines, array $heads): array
    {
        $group = 0;
        /** @var array<string, array<int, list<int>>> $found places by text and group */
        $found = [];
        foreach ($lines as $i => $line) {
            if (isset($heads[$i]) || $line->heading > 0 || $line->mark?->isNumber() === true) {
                $group++;
            } elseif ($group > 0 && self::isPlain($line)) {
                $found[mb_strtolower($line->text)][$group][] = $i;
            }
        }
        $styles = $alone = [];
        foreach ($found as $groups) {
            if (count($groups) > 1 && max(array_map(count(...), $groups)) === 1) {
                $styles += array_fill_keys(array_merge(...array_values($groups)), 'recurring');
            }
        }
        foreach ($styles as $i => $_) {
            $after = $lines[$i + 1] ?? null;
            // One that never has anything below it is an item that several groups share.
            if ($after === null || isset($heads[$i + 1]) || isset($styles[$i + 1]) || $after->heading > 0 || $after->mark?->isNumber() === true) {
                $alone[mb_strtolower($lines[$i]->text)] = ($alone[mb_strtolower($lines[$i]->text)] ?? 0) + 1;
            }
        }

        return array_filter($styles, fn (int $i): bool => ($alone[mb_strtolower($lines[$i]->text)] ?? 0) * 2 < count($found[mb_strtolower($lines[$i]->text)]), ARRAY_FILTER_USE_KEY);
    }

    /**
     * A paragraph right before a list that ends in a colon or is all bold.
     *
     * @param  list<RawLine>  $lines
     * @return array<int, string>
     */
    private static function leads(array $lines): array
    {
        $styles = [];
        foreach ($lines as $i => $line) {
            $after = $lines[$i + 1] ?? null;
            $leads = $after !== null && ($after->depth !== null ? $after->sort !== 'body' : $after->mark !== null && ! $after->mark->isNumber());
            if ($leads && self::isPlain($line) && (preg_match('/[:：]\**\z/u', $line->text) === 1 || self::isBold($line->text))) {
                $styles[$i] = self::LEAD;
            }
        }

        return $styles;
    }

    private static function isBold(string $markdown): bool
    {
        $runs = array_filter(InlineMarkdown::runs($markdown), fn (Run $run): bool => trim($run->text) !== '');

        return $runs !== [] && array_filter($runs, fn (Run $run): bool => ($run->marks & Run::BOLD) === 0) === [];
    }

    private static function isPlain(RawLine $line): bool
    {
        return $line->sort === 'plain' && $line->mark === null && $line->heading === 0 && $line->depth === null && mb_strlen($line->text) <= self::LONGEST;
    }
}
