<?php

declare(strict_types=1);

namespace ChalkTree\Document;

/** Quoted words. */
final readonly class Quote implements Block
{
    /** @param  list<Block>  $blocks */
    public function __construct(public array $blocks)
    {
    }
}
