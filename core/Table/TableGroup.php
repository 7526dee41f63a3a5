<?php

declare(strict_types=1);

namespace ChalkTree\Table;

/** Rows under a head. */
final readonly class TableGroup
{
    /**
     * @param  string  $title  empty where there are no heads
     * @param  list<TableRow>  $rows
     */
    public function __construct(public string $title, public array $rows)
    {
    }
}
