<?php

declare(strict_types=1);

namespace ChalkTree\Table;

/** A topic as a row. */
final readonly class TableRow
{
    /** @param  int  $depth  how far it is indented */
    public function __construct(public string $topic, public int $depth)
    {
    }
}
