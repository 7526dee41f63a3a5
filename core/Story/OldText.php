<?php

declare(strict_types=1);

namespace ChalkTree\Story;

use ChalkTree\Exchange\CsvTable;
use ChalkTree\Exchange\UnreadableFile;
use ChalkTree\Map\Bounds;

/**
 * A text file as a note: what it is called, its text as Markdown, and of which day it is, by its name or else by when it was
 * changed last. Lines that were broken to one width are joined again; shorter ones, as of poems and lists, stay lines.
 */
final readonly class OldText
{
    private const LONGEST_TITLE = 300;

    /** Letters of a line that is one of a text broken to a width. */
    private const BROKEN = 50;

    private const MONTHS = ['january', 'february', 'march', 'april', 'may', 'june', 'july', 'august', 'september', 'october', 'november', 'december'];

    /** @param  string|null  $day  YYYY-MM-DD */
    private function __construct(public string $title, public string $note, public ?string $day)
    {
    }

    /**
     * @param  string  $name  of the file
     * @param  string|null  $changed  the day on which it was changed last
     *
     * @throws UnreadableFile where it is no text, or too long for a note
     */
    public static function read(string $name, string $bytes, ?string $changed): self
    {
        if (strlen($bytes) > 2 * Bounds::LONGEST_NOTE) {
            throw new UnreadableFile('It is longer than a note can be.');
        }
        $text = trim(self::decoded($bytes));
        if ($text === '') {
            throw new UnreadableFile('There is nothing in it.');
        }
        $base = basename(str_replace('\\', '/', $name));
        $isMarkdown = preg_match('/\.(?:md|markdown)$/i', $base) === 1;
        $note = $isMarkdown ? $text : self::flowing($text);
        if (strlen($note) > Bounds::LONGEST_NOTE) {
            throw new UnreadableFile('It is longer than a note can be.');
        }
        $bare = (string) preg_replace('/\.[A-Za-z0-9]{1,8}$/', '', $base);
        [$day, $rest] = self::dated($bare);
        $title = trim((string) preg_replace('/[\s_]+/u', ' ', $rest), " -–.,;\t");
        if ($title === '') {
            $title = $bare;
        }

        return new self(mb_substr($title, 0, self::LONGEST_TITLE), $note, $day ?? $changed);
    }

    private static function decoded(string $bytes): string
    {
        try {
            return CsvTable::decoded($bytes)[0];
        } catch (UnreadableFile) {
            throw new UnreadableFile('It is no text.');
        }
    }

    /** Paragraphs as Markdown has them. */
    private static function flowing(string $text): string
    {
        return implode("\n\n", array_map(function (string $paragraph): string {
            $lines = array_map(rtrim(...), explode("\n", trim($paragraph, "\n")));
            $inner = array_slice($lines, 0, -1);
            $isBroken = $inner !== [] && min(array_map(mb_strlen(...), $inner)) >= self::BROKEN;
            $isList = preg_match('/^\s*(?:[-*+]|\d{1,3}[.)])\s/', $lines[0]) === 1;

            return implode($isList ? "\n" : ($isBroken ? ' ' : "\\\n"), $isBroken ? array_map(trim(...), $lines) : $lines);
        }, preg_split('/\n[ \t]*(?:\n[ \t]*)+/', $text) ?: []));
    }

    /**
     * The day that stands in a name, and the name without it.
     *
     * @return array{string|null, string}
     */
    private static function dated(string $name): array
    {
        $forms = [
            '/(?<!\d)(?<y>[12]\d{3})([-_.]?)(?<m>0[1-9]|1[0-2])\2(?<d>0[1-9]|[12]\d|3[01])(?!\d)/',
            '/(?<!\d)(?<d>0?[1-9]|[12]\d|3[01])\.(?<m>0?[1-9]|1[0-2])\.(?<y>[12]\d{3})(?!\d)/',
            '/(?<!\d)(?<d>0?[1-9]|[12]\d|3[01])[ _.-]{1,2}(?<w>[A-Za-z]{3,9})[ _.-]{1,2}(?<y>[12]\d{3})(?!\d)/',
        ];
        foreach ($forms as $form) {
            if (preg_match($form, $name, $m) !== 1) {
                continue;
            }
            $named = array_filter(self::MONTHS, fn (string $month): bool => str_starts_with($month, strtolower($m['w'] ?? '-')));
            $month = isset($m['m']) ? (int) $m['m'] : 1 + (array_key_first($named) ?? -1);
            if (checkdate($month, (int) $m['d'], (int) $m['y'])) {
                return [sprintf('%04d-%02d-%02d', (int) $m['y'], $month, (int) $m['d']), str_replace($m[0], ' ', $name)];
            }
        }

        return [null, $name];
    }
}
