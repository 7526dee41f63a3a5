<?php

declare(strict_types=1);

namespace ChalkTree\Document;

/** Blocks that stand beside each other on a slide. */
final readonly class Columns implements Block
{
    /** @param  list<list<Block>>  $columns */
    public function __construct(public array $columns)
    {
    }
}
