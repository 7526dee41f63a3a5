<?php

declare(strict_types=1);

namespace ChalkTree\Paste;

/** A line of a clip with its level, and how that was decided. */
final readonly class ClipLine
{
    /**
     * @param  int  $level  from 0
     * @param  string  $text  inline Markdown, without its mark
     * @param  string  $mark  the bullet or number that stood before it
     * @param  string  $how  first, same, tab, indent, bullet, number, heading, list, table, body, or offered: that it only reads as a heading; document: as a document had it
     * @param  bool  $gap  that a new paragraph begins here
     * @param  string  $note  what goes along with it as its note
     */
    public function __construct(public int $level, public string $text, public string $mark, public string $how, public bool $gap, public string $note = '')
    {
    }

    /** @return array{level: int, text: string, mark: string, how: string, gap: bool, note?: string} */
    public function toArray(): array
    {
        return ['level' => $this->level, 'text' => $this->text, 'mark' => $this->mark, 'how' => $this->how, 'gap' => $this->gap] + ($this->note === '' ? [] : ['note' => $this->note]);
    }
}
