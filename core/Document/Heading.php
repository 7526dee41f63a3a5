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
     * @param  bool  $isAlone  whether nothing stands below it, so that it need not be kept with what follows
     */
    public function __construct(public int $level, public array $text, public string $anchor = '', public bool $isAlone = false)
    {
    }
}
