<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

/** A timeline with all its topics above the line. Nobody chooses it by its name: a branch says so of its timeline. */
final readonly class TimelineAbove implements FollowsDays
{
    use AlongLine;

    public static function name(): string
    {
        return 'timeline-above';
    }

    protected static function side(int $n): int
    {
        return 0;
    }
}
