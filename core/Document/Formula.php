<?php

declare(strict_types=1);

namespace ChalkTree\Document;

/** A formula in TeX. */
final readonly class Formula implements Inline
{
    public function __construct(public string $tex, public bool $isDisplayed = false)
    {
    }
}
