<?php

declare(strict_types=1);

namespace ChalkTree\Document;

/** A table. */
final readonly class Grid implements Block
{
    /**
     * @param  list<''|'left'|'center'|'right'>  $sides  how each column is aligned; its length is the number of columns
     * @param  list<list<Inline>>  $head  empty where it has none
     * @param  list<list<list<Inline>>>  $rows
     */
    public function __construct(public array $sides, public array $head, public array $rows)
    {
    }
}
