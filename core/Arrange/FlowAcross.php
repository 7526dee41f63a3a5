<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

/** A process that runs from the left to the right. */
final readonly class FlowAcross implements FollowsTies
{
    use InRows;

    public static function name(): string
    {
        return 'flow-across';
    }

    public function handsDown(Growth $growth): string
    {
        return SteppedList::name();
    }

    public function opens(): Growth
    {
        return Growth::Right;
    }

    private function isAcross(): bool
    {
        return true;
    }
}
