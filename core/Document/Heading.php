<?php

declare(strict_types=1);

namespace ChalkTree\Document;

/** A heading. */
final readonly class Heading implements Block
{
    /**
     * @param  int  $level  from 1
     * @param  list<Inline>  $text
     * @param  string  $anchor  by which links within the document lead here; empty where none do
     */
    public function __construct(public int $level, public array $text, public string $anchor = '')
    {
    }
}
