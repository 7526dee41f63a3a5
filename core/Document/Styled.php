<?php

declare(strict_types=1);

namespace ChalkTree\Document;

/** Blocks in a style with a name, which is how it is known again what they are; see Style. */
final readonly class Styled implements Block
{
    /** @param  list<Block>  $blocks */
    public function __construct(public Style $style, public array $blocks)
    {
    }
}
