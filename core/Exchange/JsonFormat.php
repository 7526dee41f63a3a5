<?php

declare(strict_types=1);

namespace ChalkTree\Exchange;

/** Our own JSON, which keeps everything; see docs/format.md. */
final class JsonFormat implements Format
{
    public static function name(): string
    {
        return 'json';
    }

    public function endings(): array
    {
        return ['json'];
    }

    public function mime(): string
    {
        return 'application/json';
    }

    public function isBinary(): bool
    {
        return false;
    }

    public function recognises(string $contents): bool
    {
        return str_starts_with(ltrim(substr($contents, 0, 400)), '{');
    }

    public function options(): array
    {
        return [];
    }

    public function reader(): Reader
    {
        return new JsonReader;
    }

    public function writer(array $options = []): Writer
    {
        return new JsonWriter;
    }
}
