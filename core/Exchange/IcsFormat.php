<?php

declare(strict_types=1);

namespace ChalkTree\Exchange;

/** iCalendar, as RFC 5545 has it: events and to-dos. Of a map it holds what has a date and what is to be done. */
final class IcsFormat implements Format
{
    public static function name(): string
    {
        return 'ics';
    }

    public function endings(): array
    {
        return ['ics', 'ical', 'ifb'];
    }

    public function mime(): string
    {
        return 'text/calendar';
    }

    public function isBinary(): bool
    {
        return false;
    }

    public function recognises(string $contents): bool
    {
        return preg_match('/\A\s*BEGIN:VCALENDAR\s/i', $contents) === 1;
    }

    public function options(): array
    {
        return [];
    }

    public function reader(): Reader
    {
        return new IcsReader;
    }

    public function writer(array $options = []): Writer
    {
        return new IcsWriter;
    }
}
