<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

/** What arrangements have in common that nobody chooses: another, which places two levels at once, places what is below. */
trait PlacedByHead
{
    public function handsDown(Growth $growth): string
    {
        return SteppedList::name();
    }

    public function enters(Growth $growth): Growth
    {
        return $growth;
    }

    public function opens(): Growth
    {
        return Growth::Right;
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
        return Siblings::ByHead;
    }

    public function phrases(): PhraseWay
    {
        return PhraseWay::InBox;
    }

    public function levels(): int
    {
        return 1;
    }

    public function place(Slip $slip, array $children, array $below): void
    {
        $slip->closeUp();
    }
}
