<?php

declare(strict_types=1);

namespace ChalkTree\Paste;

/** A line of a clip before its level is known: its text, and all that may tell where it belongs. */
final class RawLine
{
    /**
     * @param  string  $text  inline Markdown, without the mark
     * @param  int  $column  how far it is indented, in characters
     * @param  bool  $gap  that a blank line, or the beginning, stands before it
     * @param  int  $heading  1 to 6 for a heading, else 0
     * @param  int|null  $depth  of a list's item in HTML, from 1
     * @param  string  $sort  "plain", "row" of a table, or "body": text that belongs to the item before it
     */
    public function __construct(
        public string $text,
        public int $column = 0,
        public bool $gap = false,
        public bool $tabbed = false,
        public int $heading = 0,
        public ?int $depth = null,
        public string $sort = 'plain',
        public ?Mark $mark = null,
    ) {
    }
}
