<?php

declare(strict_types=1);

namespace ChalkTree\Show;

use ChalkTree\Document\Block;
use ChalkTree\Document\CodeText;
use ChalkTree\Document\Footnote;
use ChalkTree\Document\Formula;
use ChalkTree\Document\Grid;
use ChalkTree\Document\Heading;
use ChalkTree\Document\Image;
use ChalkTree\Document\Inline;
use ChalkTree\Document\Listing;
use ChalkTree\Document\NoteBlocks;
use ChalkTree\Document\Paragraph;
use ChalkTree\Document\Quote;
use ChalkTree\Document\Styled;
use ChalkTree\Document\Words;

/**
 * What is said on a slide, as plain lines to be read at a glance: paragraphs, points of lists, rows of tables. Written in
 * Markdown, as notes are.
 */
final class SaidLines
{
    /** Levels of lists that are told apart. */
    private const DEEPEST = 6;

    /**
     * @return list<array{text: string, indent: int, bold: bool}>
     */
    public static function of(string $markdown): array
    {
        return self::blocks(NoteBlocks::read($markdown), 0);
    }

    /** The same as text, a line each, points of lists with a dash. */
    public static function text(string $markdown): string
    {
        return implode("\n", array_map(fn (array $line): string => str_repeat('  ', max(0, $line['indent'] - 1)).$line['text'], self::of($markdown)));
    }

    /**
     * @param  list<Block>  $blocks
     * @return list<array{text: string, indent: int, bold: bool}>
     */
    private static function blocks(array $blocks, int $indent): array
    {
        $lines = [];
        foreach ($blocks as $block) {
            array_push($lines, ...match (true) {
                $block instanceof Paragraph => self::lines(self::inline($block->text), $indent, false),
                $block instanceof Heading => self::lines(self::inline($block->text), $indent, true),
                $block instanceof Quote, $block instanceof Styled => self::blocks($block->blocks, $indent),
                $block instanceof CodeText => self::lines($block->text, $indent, false),
                $block instanceof Listing => self::listing($block, $indent),
                $block instanceof Grid => self::grid($block, $indent),
                default => [],
            });
        }

        return $lines;
    }

    /** @return list<array{text: string, indent: int, bold: bool}> */
    private static function lines(string $text, int $indent, bool $isBold): array
    {
        $lines = array_filter(array_map(trim(...), explode("\n", $text)), fn (string $line): bool => $line !== '');

        return array_values(array_map(fn (string $line): array => ['text' => $line, 'indent' => $indent, 'bold' => $isBold], $lines));
    }

    /** @return list<array{text: string, indent: int, bold: bool}> */
    private static function listing(Listing $listing, int $indent): array
    {
        $lines = [];
        foreach ($listing->items as $i => $item) {
            $its = self::blocks($item, min(self::DEEPEST, $indent + 1));
            if ($its !== []) {
                $its[0]['text'] = ($listing->from === null ? '– ' : $listing->from + $i.'. ').$its[0]['text'];
            }
            array_push($lines, ...$its);
        }

        return $lines;
    }

    /** @return list<array{text: string, indent: int, bold: bool}> */
    private static function grid(Grid $grid, int $indent): array
    {
        $row = fn (array $cells): string => implode(' · ', array_filter(array_map(self::inline(...), $cells), fn (string $cell): bool => $cell !== ''));
        $lines = $grid->head === [] ? [] : self::lines($row($grid->head), $indent, true);
        foreach ($grid->rows as $cells) {
            array_push($lines, ...self::lines($row($cells), $indent, false));
        }

        return $lines;
    }

    /** @param  list<Inline>  $text */
    private static function inline(array $text): string
    {
        return implode('', array_map(fn (Inline $one): string => match (true) {
            $one instanceof Words => $one->run->text,
            $one instanceof Image => $one->about,
            $one instanceof Formula => $one->tex,
            $one instanceof Footnote => ' ('.self::inline($one->text).')',
            default => '',
        }, $text));
    }
}
