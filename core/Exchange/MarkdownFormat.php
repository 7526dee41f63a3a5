<?php

declare(strict_types=1);

namespace ChalkTree\Exchange;

use ChalkTree\Map\Field;

/** Markdown: headings to a depth that can be chosen, nested lists below. */
final class MarkdownFormat implements Format
{
    /** How many levels are headings if nothing is chosen. */
    private const HEADINGS = 2;

    public static function name(): string
    {
        return 'md';
    }

    public function endings(): array
    {
        return ['md', 'markdown', 'mdown'];
    }

    public function mime(): string
    {
        return 'text/markdown';
    }

    public function isBinary(): bool
    {
        return false;
    }

    public function recognises(string $contents): bool
    {
        return preg_match('/^(#{1,6} |[-*+] )/m', ltrim(substr($contents, 0, 400))) === 1;
    }

    public function options(): array
    {
        return ['headings' => Field::whole(0, 6, self::HEADINGS)];
    }

    public function reader(): Reader
    {
        return new MarkdownReader;
    }

    public function writer(array $options = []): Writer
    {
        return new MarkdownWriter(is_int($options['headings'] ?? null) ? $options['headings'] : self::HEADINGS);
    }
}
