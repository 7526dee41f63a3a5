<?php

declare(strict_types=1);

namespace ChalkTree\Exchange;

/** Tables as RFC 4180 has them: a row a topic. */
final class CsvFormat implements Format
{
    public static function name(): string
    {
        return 'csv';
    }

    public function endings(): array
    {
        return ['csv'];
    }

    public function mime(): string
    {
        return 'text/csv';
    }

    public function isBinary(): bool
    {
        return false;
    }

    public function recognises(string $contents): bool
    {
        return preg_match('/\A"?level"?[,;\t]"?(?:number|title)"?/i', $contents) === 1;
    }

    public function options(): array
    {
        return [];
    }

    public function reader(): Reader
    {
        return new CsvReader;
    }

    public function writer(array $options = []): Writer
    {
        return new CsvWriter;
    }
}
