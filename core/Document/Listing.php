<?php

declare(strict_types=1);

namespace ChalkTree\Document;

/** A list, with bullets or numbered. */
final readonly class Listing implements Block
{
    /**
     * @param  list<list<Block>>  $items
     * @param  int|null  $from  the first number; null for bullets
     */
    public function __construct(public array $items, public ?int $from = null)
    {
    }
}
