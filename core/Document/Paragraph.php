<?php

declare(strict_types=1);

namespace ChalkTree\Document;

/** A paragraph. */
final readonly class Paragraph implements Block
{
    /**
     * @param  list<Inline>  $text
     * @param  string  $anchor  by which links within the document lead here; empty where none do
     */
    public function __construct(public array $text, public string $anchor = '')
    {
    }
}
