<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

/** Subtopics along a line, above and below it in turn. */
final readonly class Timeline implements FollowsDays
{
    use AlongLine;

    public static function name(): string
    {
        return 'timeline';
    }

    protected static function side(int $n): int
    {
        return $n % 2;
    }
}
