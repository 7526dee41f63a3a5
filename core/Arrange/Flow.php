<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

/** A process: steps in rows below each other, by the cross-links that lead from one to the next. */
final readonly class Flow implements FollowsTies
{
    use InRows;

    public static function name(): string
    {
        return 'flow';
    }

    public function handsDown(Growth $growth): string
    {
        return Rightward::name();
    }

    public function opens(): Growth
    {
        return Growth::Down;
    }

    private function isAcross(): bool
    {
        return false;
    }
}
