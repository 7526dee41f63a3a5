<?php

declare(strict_types=1);

namespace ChalkTree\Exchange;

/** Plain text, a line a topic, indented by tabs. */
final class TextFormat implements Format
{
    public static function name(): string
    {
        return 'txt';
    }

    public function endings(): array
    {
        return ['txt', 'text', 'tsv'];
    }

    public function mime(): string
    {
        return 'text/plain';
    }

    public function isBinary(): bool
    {
        return false;
    }

    public function recognises(string $contents): bool
    {
        return true;
    }

    public function options(): array
    {
        return [];
    }

    public function reader(): Reader
    {
        return new TextReader;
    }

    public function writer(array $options = []): Writer
    {
        return new TextWriter;
    }
}
