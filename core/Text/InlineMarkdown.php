<?php

declare(strict_types=1);

namespace ChalkTree\Text;

/**
 * Reads and writes the inline Markdown of titles: emphasis, strong, strike, code, links, escapes and entities as
 * CommonMark 0.31 (sections 6.1 to 6.6) and GitHub's strikethrough have them, <u>, <b>, <i>, <s>, <sub> and <sup>, and every line
 * break as one. A full Markdown parser takes some fifty times as long, and every topic of a map is read for each
 * drawing; tests compare the two.
 */
final class InlineMarkdown
{
    /** Text with none of these needs no parsing. */
    private const SIGNS = '*_~`[]<&\\';

    /** How marks are written: with a sign on both sides or, where there is none or none can stand, with a tag. */
    private const SPEECH = [[Run::ITALIC, '*', 'i'], [Run::BOLD, '**', 'b'], [Run::STRIKE, '~~', 's'], [Run::UNDERLINE, '', 'u'], [Run::SUB, '', 'sub'], [Run::SUPER, '', 'sup']];

    /**
     * @return list<Run> neighbouring runs differ in formatting; "\n" in their text is a line break
     */
    public static function runs(string $markdown): array
    {
        if (! self::isFormatted($markdown)) {
            return $markdown === '' ? [] : [new Run($markdown)];
        }

        return (new InlineParser($markdown))->runs();
    }

    /** Whether text can be other than it is read; false where each letter stands for itself. */
    public static function isFormatted(string $markdown): bool
    {
        return strpbrk($markdown, self::SIGNS) !== false;
    }

    /** The text without its formatting. */
    public static function plain(string $markdown): string
    {
        if (! self::isFormatted($markdown)) {
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
        $plain = self::plain($markdown);
        // Most titles are on one line as they are.
        $line = preg_match('/[^\x21-\x7e]\s|[^\x20-\x7e]|^\s|\s$/', $plain) === 1 ? trim((string) preg_replace('/\s+/u', ' ', $plain)) : $plain;

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
     * Runs as Markdown that reads back as RunForm::of() them. Where the rules of CommonMark let no emphasis begin or end
     * ("**Note:**see", between ideographs, one right after the other), tags stand for the signs.
     *
     * @param  list<Run>  $runs
     */
    public static function write(array $runs): string
    {
        $runs = RunForm::of($runs);
        if (count($runs) < 2 && ($runs[0]->marks ?? 0) === 0 && ($runs[0]->href ?? null) === null) {
            return $runs === [] ? '' : self::escape($runs[0]->text);
        }
        foreach ([self::withSigns(...), self::withTagsWhereTight(...), self::withTags(...)] as $way) {
            $markdown = $way($runs);
            if (self::runs($markdown) == $runs) {
                break;
            }
        }

        return $markdown;
    }

    /** @param  list<Run>  $runs */
    private static function withSigns(array $runs): string
    {
        return self::joined($runs, fn (): bool => false);
    }

    /** @param  list<Run>  $runs */
    private static function withTagsWhereTight(array $runs): string
    {
        return self::joined($runs, fn (int $i): bool => preg_match('/\S\z/u', $runs[$i - 1]->text ?? '') === 1 || preg_match('/\A\S/u', $runs[$i + 1]->text ?? '') === 1);
    }

    /** @param  list<Run>  $runs */
    private static function withTags(array $runs): string
    {
        return self::joined($runs, fn (): bool => true);
    }

    /**
     * @param  list<Run>  $runs
     * @param  callable(int): bool  $tagged  whether the run at a place is written with tags
     */
    private static function joined(array $runs, callable $tagged): string
    {
        $out = '';
        foreach ($runs as $i => $run) {
            $text = $run->marks & Run::CODE ? self::code($run->text) : self::escape($run->text);
            foreach (self::SPEECH as [$mark, $sign, $tag]) {
                if ($run->marks & $mark) {
                    $text = $sign !== '' && ! $tagged($i) ? $sign.$text.$sign : "<{$tag}>{$text}</{$tag}>";
                }
            }
            if ($run->href !== null) {
                // Behind an exclamation mark a link would be a picture.
                $out = str_ends_with($out, '!') ? substr($out, 0, -1).'\\!' : $out;
                $text = "[{$text}](<".self::address($run->href).'>)';
            }
            $out .= $text;
        }

        return $out;
    }

    private static function address(string $href): string
    {
        return (string) preg_replace('/&(?=#?\w+;)/', '&amp;', strtr($href, ['<' => '%3C', '>' => '%3E', '\\' => '\\\\']));
    }

    private static function code(string $text): string
    {
        $fence = '`';
        while (str_contains($text, $fence)) {
            $fence .= '`';
        }
        $isPadded = $text[0] === '`' || $text[-1] === '`' || ($text[0] === ' ' && $text[-1] === ' ' && trim($text, ' ') !== '');
        $pad = $isPadded ? ' ' : '';

        return $fence.$pad.$text.$pad.$fence;
    }
}
