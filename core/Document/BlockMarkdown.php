<?php

declare(strict_types=1);

namespace ChalkTree\Document;

use ChalkTree\Text\InlineMarkdown;

/** Writes blocks as the Markdown of notes, which NoteBlocks reads as the same blocks. */
final class BlockMarkdown
{
    /** What a line may begin with that means more than text. */
    private const BEGINS = '/^(\s*)(#{1,6}(?=\s|$)|>|[-+*](?=\s|$)|~~~|\||=+\s*$|-+\s*$|_{3,}\s*$)/m';

    /** @param  list<Block>  $blocks */
    public static function write(array $blocks): string
    {
        $out = '';
        $before = null;
        $turn = 0;
        foreach ($blocks as $block) {
            // Two lists beside each other would be one.
            $turn = $block instanceof Listing && $before instanceof Listing && ($block->from === null) === ($before->from === null) ? 1 - $turn : 0;
            $text = $block instanceof Listing ? self::listing($block, $turn) : self::block($block);
            $out .= $text === '' ? '' : ($out === '' ? '' : "\n\n").$text;
            $before = $block;
        }

        return $out;
    }

    /** @param  list<Inline>  $line */
    public static function line(array $line): string
    {
        $out = '';
        $runs = [];
        foreach ([...$line, null] as $one) {
            if ($one instanceof Words) {
                $runs[] = $one->run;

                continue;
            }
            $out .= self::escaped(InlineMarkdown::write($runs));
            $runs = [];
            $out .= match (true) {
                $one instanceof Image => '!['.preg_replace('/([\[\]\\\\])/', '\\\\$1', str_replace("\n", ' ', $one->about)).']('.str_replace(['(', ')', ' '], ['%28', '%29', '%20'], $one->source).')',
                $one instanceof Formula => $one->isDisplayed ? '$$'.trim($one->tex).'$$' : '$'.trim($one->tex).'$',
                $one instanceof Footnote => '^['.self::line($one->text).']',
                default => '',
            };
        }

        return $out;
    }

    private static function block(Block $block): string
    {
        return match (true) {
            $block instanceof Heading => str_repeat('#', min(6, $block->level)).' '.str_replace("\n", ' ', self::line($block->text)),
            $block instanceof Paragraph => self::paragraph($block->text),
            $block instanceof Styled => $block->style->level() !== null && ($block->blocks[0] ?? null) instanceof Paragraph ? str_repeat('#', $block->style->level()).' '.str_replace("\n", ' ', self::line($block->blocks[0]->text)) : self::write($block->blocks),
            $block instanceof Quote => (string) preg_replace('/^/m', '> ', self::write($block->blocks)),
            $block instanceof CodeText => self::code($block),
            $block instanceof Rule => '---',
            $block instanceof Grid => self::grid($block),
            default => '',
        };
    }

    /** @param  list<Inline>  $text */
    private static function paragraph(array $text): string
    {
        $line = trim((string) preg_replace('/[ \t]*\n[ \t]*(?:\n[ \t]*)*/', "\n", self::line($text)));
        $line = (string) preg_replace(self::BEGINS, '$1\\\\$2', $line);

        return (string) preg_replace('/^(\s*\d{1,9})([.)])(?=\s|$)/m', '$1\\\\$2', $line);
    }

    private static function code(CodeText $code): string
    {
        for ($fence = '```'; str_contains($code->text, $fence); $fence .= '`');

        return "{$fence}{$code->language}\n{$code->text}\n{$fence}";
    }

    /** @param  int  $turn  which of the two marks there are, as neighbours take turns */
    private static function listing(Listing $list, int $turn): string
    {
        $items = [];
        foreach ($list->items as $i => $blocks) {
            $mark = $list->from === null ? ['- ', '* '][$turn] : ($list->from + $i).['. ', ') '][$turn];
            $text = (string) preg_replace(['/^'.NoteBlocks::OPEN_TASK.'[ \t]*/u', '/^'.NoteBlocks::DONE_TASK.'[ \t]*/u'], ['[ ] ', '[x] '], self::write($blocks));
            $items[] = $mark.preg_replace('/\n(?=[^\n])/', "\n".str_repeat(' ', strlen($mark)), $text);
        }
        $isTight = array_filter($list->items, fn (array $blocks): bool => count($blocks) > 1 && ! $blocks[1] instanceof Listing) === [];

        return implode($isTight ? "\n" : "\n\n", $isTight ? array_map(fn (string $item): string => (string) preg_replace('/\n\n(?=\s*(?:[-*]|\d+[.)]) )/', "\n", $item), $items) : $items);
    }

    private static function grid(Grid $grid): string
    {
        $rule = '| '.implode(' | ', array_map(fn (string $side): string => ['left' => ':--', 'center' => ':-:', 'right' => '--:'][$side] ?? '---', $grid->sides)).' |';

        return implode("\n", [self::row($grid->head, count($grid->sides)), $rule, ...array_map(fn (array $row): string => self::row($row, count($grid->sides)), $grid->rows)]);
    }

    /** @param  list<list<Inline>>  $cells */
    private static function row(array $cells, int $columns): string
    {
        $texts = [];
        for ($i = 0; $i < $columns; $i++) {
            $texts[] = trim(str_replace(["\n", '|'], [' ', '\|'], self::line($cells[$i] ?? [])));
        }

        return '| '.implode(' | ', $texts).' |';
    }

    /** Dollar signs that would make a formula of text. */
    private static function escaped(string $markdown): string
    {
        return substr_count($markdown, '$') < 2 ? $markdown : (string) preg_replace('/(?<!\\\\)\$/', '\\\\$', $markdown);
    }
}
