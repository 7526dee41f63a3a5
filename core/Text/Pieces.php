<?php

declare(strict_types=1);

namespace ChalkTree\Text;

/** The pieces of a title while it is read: what each says, how it is formatted, where it leads. */
final class Pieces
{
    /** @var array<int, string> */
    public array $text = [];

    /** @var array<int, int> see Run */
    public array $marks = [];

    /** @var array<int, string|null> */
    public array $href = [];

    /** @return int the number of the new piece */
    public function add(string $text, int $marks = 0, ?string $href = null): int
    {
        $this->text[] = $text;
        $this->marks[] = $marks;
        $this->href[] = $href;

        return count($this->text) - 1;
    }

    /** Formats the pieces between two others. */
    public function mark(int $mark, int $after, int $before): void
    {
        for ($i = $after + 1; $i < $before; $i++) {
            $this->marks[$i] |= $mark;
        }
    }

    /** @return list<Run> neighbours of one formatting as one; links that may not be followed are text */
    public function runs(): array
    {
        $runs = [];
        foreach ($this->text as $i => $text) {
            if ($text !== '') {
                $href = $this->href[$i];
                $runs[] = new Run($text, $this->marks[$i], $href !== null && Address::isSafe($href) ? $href : null);
            }
        }

        return Slices::joined($runs);
    }
}
