<?php

declare(strict_types=1);

namespace ChalkTree\Exchange;

/** OPML 2.0: outlines as other programs have them. */
final class OpmlFormat implements Format
{
    public static function name(): string
    {
        return 'opml';
    }

    public function endings(): array
    {
        return ['opml', 'xml'];
    }

    public function mime(): string
    {
        return 'text/x-opml';
    }

    public function isBinary(): bool
    {
        return false;
    }

    public function recognises(string $contents): bool
    {
        return str_starts_with(ltrim(substr($contents, 0, 400)), '<');
    }

    public function options(): array
    {
        return [];
    }

    public function reader(): Reader
    {
        return new OpmlReader;
    }

    public function writer(array $options = []): Writer
    {
        return new OpmlWriter;
    }
}
