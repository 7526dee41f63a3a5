<?php

declare(strict_types=1);

namespace ChalkTree\Paste;

use ChalkTree\Text\Blank;
use ChalkTree\Text\InlineMarkdown;

/** Reads plain text or Markdown into lines. */
final class TextClip
{
    /** @return list<RawLine> none of them blank */
    public static function lines(string $text): array
    {
        $files = FileNames::in($text);
        if ($files !== null) {
            return array_map(fn (string $name): RawLine => new RawLine(InlineMarkdown::escape($name), 0, tabbed: false), $files);
        }
        $isMarkdown = self::isMarkdown($text);
        $lines = [];
        $gap = true;
        $source = explode("\n", $text);
        for ($i = 0; $i < count($source); $i++) {
            $line = Blank::trimEnd($source[$i]);
            $bare = Blank::trimStart($line);
            if ($bare === '' || preg_match('/\A(?:([-*_=~])(?:\s*\1){2,}|`{3,}\S*|~{3,}\S*|\|?(?:\s*:?-{3,}:?\s*\|)+\s*(?::?-{3,}:?)?)\z/u', $bare) === 1 || Marks::isEmptyItem($bare)) {
                $gap = $gap || $bare === '';

                continue;
            }
            $raw = self::line($bare, substr($line, 0, strlen($line) - strlen($bare)), $isMarkdown);
            if ($isMarkdown && $raw->heading === 0 && $gap && preg_match('/\A {0,3}(={3,}|-{3,})\s*\z/', $source[$i + 1] ?? '', $m) === 1) {
                $raw->heading = $m[1][0] === '=' ? 1 : 2;
                $raw->text = trim($bare);
            }
            if (trim(InlineMarkdown::plain($raw->text)) !== '') {
                $raw->gap = $gap;
                $gap = false;
                $lines[] = $raw;
            }
        }
        Marks::find($lines);
        if (! $isMarkdown) {
            foreach ($lines as $line) {
                $line->text = InlineMarkdown::escape($line->text);
            }
        }

        return array_values(array_filter($lines, fn (RawLine $line): bool => trim($line->text) !== ''));
    }

    private static function line(string $bare, string $indent, bool $isMarkdown): RawLine
    {
        $raw = new RawLine($bare, self::columns($indent), tabbed: str_contains($indent, "\t"));
        if (preg_match('/\A(#{1,6})[ \t]+(.*?)(?:[ \t]+#+)?\z/u', $bare, $m) === 1 && trim($m[2]) !== '') {
            $raw->heading = strlen($m[1]);
            $raw->text = $m[2];
        } elseif (preg_match('/\A\|(.+)\|\z/u', $bare, $m) === 1) {
            $raw->sort = 'row';
            $raw->text = self::cells(explode('|', $m[1]));
        } elseif (str_contains($bare, "\t") && preg_match('/\A(?:[^\p{L}\p{N}\t]{1,3}|o|\(?[\p{L}\p{N}.]{1,8}[.)])\t/u', $bare) !== 1) {
            $raw->sort = 'row';
            $raw->text = self::cells(explode("\t", $bare));
        }
        if (! $isMarkdown && $raw->heading > 0 && $raw->sort === 'plain') {
            $raw->text = trim($raw->text);
        }

        return $raw;
    }

    /** @param  list<string>  $cells */
    public static function cells(array $cells): string
    {
        return implode(' – ', array_filter(array_map(trim(...), $cells), fn (string $cell): bool => $cell !== ''));
    }

    /** Whether a text uses Markdown, so that its stars and brackets mean formatting. */
    private static function isMarkdown(string $text): bool
    {
        // Bounded wherever a sign that is missing would be looked for from each place anew.
        return preg_match('/^ {0,3}#{1,6} \S|\[[^\[\]\n]{1,500}\]\([^)\n]{1,2000}\)|(?<![*\w])\*\*\S[^*\n]*\*\*|^[ \t]*[-*+] \[[ xX]\] |^\|?[ \t]*:?-{3,}:?[ \t]*\||^ {0,3}[^\s\-=#>*+|][^\n]*\n {0,3}={3,}[ \t]*$|^```/mu', $text) === 1;
    }

    private static function columns(string $indent): int
    {
        $column = 0;
        foreach (mb_str_split($indent) as $sign) {
            $column = $sign === "\t" ? (intdiv($column, 4) + 1) * 4 : $column + ($sign === "\u{3000}" ? 2 : 1);
        }

        return $column;
    }
}
