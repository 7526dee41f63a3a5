<?php

declare(strict_types=1);

namespace ChalkTree\HandOver;

use ChalkTree\Document\Block;
use ChalkTree\Document\Paragraph;
use ChalkTree\Document\Style;
use ChalkTree\Document\Styled;
use ChalkTree\Document\Words;

/** Lines of what features know of a topic, as they stand in documents below its title. */
final class FactBlocks
{
    public static function of(string $line, Style $style): Block
    {
        return new Styled($style, [new Paragraph([Words::plain($line)])]);
    }

    /** The line of such a block; null where it is none. */
    public static function read(Block $block, Style $style): ?string
    {
        if (! $block instanceof Styled || $block->style !== $style || count($block->blocks) !== 1 || ! $block->blocks[0] instanceof Paragraph) {
            return null;
        }
        $words = array_filter($block->blocks[0]->text, fn (object $one): bool => $one instanceof Words);

        return trim((string) preg_replace('/\s+/u', ' ', implode('', array_map(fn (Words $one): string => $one->run->text, $words))));
    }
}
