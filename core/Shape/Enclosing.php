<?php

declare(strict_types=1);

namespace ChalkTree\Shape;

/** What shapes have in common that have to be seen as a whole to be seen at all. */
trait Enclosing
{
    public function isFull(): bool
    {
        return false;
    }

    /** Where the level has no paper, that of a slip. */
    public function fill(string $ofLevel): string
    {
        return $ofLevel === '' ? 'slip' : $ofLevel;
    }

    public function edge(string $ofLevel): string
    {
        return $ofLevel === '' ? 'edge' : $ofLevel;
    }
}
