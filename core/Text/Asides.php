<?php

declare(strict_types=1);

namespace ChalkTree\Text;

/**
 * What whoever writes a note says to themselves in it, between two braces: "The mole {{when was it built?}} lay dark." It
 * stays in the map, is no part of the text, and goes nowhere. In code braces are braces.
 */
final class Asides
{
    private const OPEN = '{{';

    /** One in another, so deep; what goes deeper is nobody's writing. */
    private const DEEPEST = 20;

    /** Blanks from where they begin, so that long runs of them are gone through once. */
    private const BLANKS = '(?<![ \t])[ \t]*+';

    /** One is within a paragraph. */
    private const ONE = '\{\{(?:[^{}\n]|\{(?!\{)|\}(?!\})|\n(?![ \t]*\n))*+\}\}';

    private const CODE = '(?:^|\n)[ \t]*(?:```|~~~)[\s\S]*?(?:\n[ \t]*(?:```|~~~)|\z)|(?<!`)(`+)(?!`)[^\n]*?(?<!`)\1(?!`)';

    /** @return list<string> those that stand in a text, braces and all */
    public static function in(string $markdown): array
    {
        return str_contains($markdown, self::OPEN) && preg_match_all('/(?:'.self::CODE.')(*SKIP)(*FAIL)|'.self::ONE.'/u', $markdown, $m) > 0 ? $m[0] : [];
    }

    /** A note without them, and without the blanks and the paragraphs that nothing but they stood in. */
    public static function without(string $markdown): string
    {
        if (! str_contains($markdown, self::OPEN)) {
            return $markdown;
        }
        $pattern = '/(?:'.self::CODE.')(*SKIP)(*FAIL)|(?<![^\n])[ \t]*+'.self::ONE.'[ \t]*+|'.self::BLANKS.self::ONE.'|'.self::ONE.'/u';
        $text = $markdown;
        $depth = 0;
        do {
            $text = preg_replace($pattern, '', $text, count: $count);
        } while ($text !== null && $count > 0 && ++$depth < self::DEEPEST);
        if ($text !== null && $count > 0) {
            $text = preg_replace('/\{\{.*\}\}/su', '', $text);
        }
        if ($text === null) {
            // A text that cannot be read is told to nobody rather than with what was meant for one.
            return '';
        }

        return $text === $markdown ? $markdown : trim((string) preg_replace('/\n{3,}/', "\n\n", $text), "\n");
    }
}
