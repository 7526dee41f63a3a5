<?php

declare(strict_types=1);

namespace ChalkTree\Document;

/** What is said on a slide and not seen there. */
final readonly class SpokenNotes implements Block
{
    /** @param  list<Block>  $blocks */
    public function __construct(public array $blocks)
    {
    }
}
