<?php

declare(strict_types=1);

namespace ChalkTree\Face;

/** What a note is, as its sign tells it from afar. */
enum NoteSort: string
{
    case Short = 'note';
    case Long = 'long note';
    case Table = 'note with a table';
    case Picture = 'note with a picture';

    /** What is longer than this is not read in passing, bytes. */
    private const LONG = 1_500;

    public static function of(string $note): self
    {
        return match (true) {
            str_contains($note, '|') && preg_match('/^ {0,3}\|?[ \t]*:?-+:?[ \t]*(?:\|[ \t]*:?-+:?[ \t]*)+\|?[ \t]*$/m', $note) === 1 => self::Table,
            str_contains($note, '![') && preg_match('/!\[[^\]]*\]\([^)\s]+/', $note) === 1 => self::Picture,
            strlen($note) > self::LONG => self::Long,
            default => self::Short,
        };
    }

    /** Its lines from the corner of the sign, as an SVG path. */
    public function lines(): string
    {
        return match ($this) {
            self::Short => 'h11m-11 5h11m-11 5h6',
            self::Long => 'h11m-11 3.3h11m-11 3.3h11m-11 3.4h6',
            self::Table => 'h11v10h-11v-10m0 3.5h11m-6.5 -3.5v10',
            self::Picture => 'h11v10h-11v-10m0 8l3.5 -4l2.5 3l2 -2l3 3',
        };
    }
}
