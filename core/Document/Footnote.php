<?php

declare(strict_types=1);

namespace ChalkTree\Document;

/** Words at the foot of the page. */
final readonly class Footnote implements Inline
{
    /** @param  list<Inline>  $text */
    public function __construct(public array $text)
    {
    }
}
