<?php

declare(strict_types=1);

namespace ChalkTree\Document;

/** Text that is shown as it is, in a type of one width. */
final readonly class CodeText implements Block
{
    public function __construct(public string $text, public string $language = '')
    {
    }
}
