<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

/** What arrangements have in common that hold for a branch down to its last topic, and place one level at a time. */
trait AllTheWayDown
{
    public function handsDown(Growth $growth): string
    {
        return self::name();
    }

    public function isMirrorable(): bool
    {
        return true;
    }

    public function hasAxis(): bool
    {
        return false;
    }

    public function siblings(): Siblings
    {
        return Siblings::Banded;
    }

    public function phrases(): PhraseWay
    {
        return PhraseWay::Strip;
    }

    public function levels(): int
    {
        return 1;
    }
}
