<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

/** A timeline with all its topics below the line. */
final readonly class TimelineBelow implements FollowsDays
{
    use AlongLine;

    public static function name(): string
    {
        return 'timeline-below';
    }

    protected static function side(int $n): int
    {
        return 1;
    }
}
