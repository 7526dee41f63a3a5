<?php

declare(strict_types=1);

namespace ChalkTree\Text;

/**
 * Reads and writes the inline Markdown of titles: emphasis, strong, strike, code, links, escapes and entities as
 * CommonMark 0.31 (sections 6.1 to 6.6) and GitHub's strikethrough have them, underline as <u>…</u>, and every line
 * break as one. A full Markdown parser takes some fifty times as long, and every topic of a map is read for each
 * drawing; tests compare the two.
 */
final class InlineMarkdown
{
    /** Text with none of these needs no parsing. */
    private const SIGNS = '*_~`[]<&\\';

    /**
     * @return list<Run> neighbouring runs differ in formatting; "\n" in their text is a line break
     */
    public static function runs(string $markdown): array
    {
        if (strpbrk($markdown, self::SIGNS) === false) {
            return $markdown === '' ? [] : [new Run($markdown)];
        }

        return (new InlineParser($markdown))->runs();
    }

    /** The text without its formatting. */
    public static function plain(string $markdown): string
    {
        if (strpbrk($markdown, self::SIGNS) === false) {
            return $markdown;
        }

        return implode('', array_map(fn (Run $run): string => $run->text, self::runs($markdown)));
    }

    /**
     * The words of a title on one line, for lists and sentences.
     *
     * @param  int|null  $widest  columns, beyond which it is cut; null for all of it
     */
    public static function oneLine(string $markdown, ?int $widest = null): string
    {
        $line = trim((string) preg_replace('/\s+/u', ' ', self::plain($markdown)));

        return $widest === null ? $line : mb_strimwidth($line, 0, $widest, '…');
    }

    /** Plain text as Markdown that reads as exactly that text. */
    public static function escape(string $plain): string
    {
        if (strpbrk($plain, self::SIGNS) === false) {
            return $plain;
        }

        return (string) preg_replace('/[\\\\`*_~\[\]]|<(?=[a-z\/!?])|&(?=[a-z#])/i', '\\\\$0', $plain);
    }

    /**
     * Runs as Markdown. Marks are opened and closed in a fixed order, so that the same runs always give the same text.
     *
     * @param  list<Run>  $runs
     */
    public static function write(array $runs): string
    {
        $out = '';
        foreach ($runs as $run) {
            preg_match('/\A(\s*)(.*?)(\s*)\z/su', $run->text, $m);
            [, $before, $inner, $after] = [...$m, '', '', '', ''];
            if ($inner === '') {
                $out .= $run->text;

                continue;
            }
            $text = $run->marks & Run::CODE ? self::code($inner) : self::escape($inner);
            foreach ([[Run::ITALIC, '*', '*'], [Run::BOLD, '**', '**'], [Run::STRIKE, '~~', '~~'], [Run::UNDERLINE, '<u>', '</u>']] as [$mark, $open, $close]) {
                $text = $run->marks & $mark ? $open.$text.$close : $text;
            }
            if ($run->href !== null) {
                $text = "[{$text}](<".strtr($run->href, ['<' => '%3C', '>' => '%3E', "\n" => '', '\\' => '%5C']).'>)';
            }
            $out .= $before.$text.$after;
        }

        return $out;
    }

    private static function code(string $text): string
    {
        $fence = '`';
        while (str_contains($text, $fence)) {
            $fence .= '`';
        }
        $pad = $text[0] === '`' || $text[-1] === '`' ? ' ' : '';

        return $fence.$pad.$text.$pad.$fence;
    }
}
