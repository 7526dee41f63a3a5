<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

/** A direction on the board: an axis, and which way along it. */
enum Growth: string
{
    case Left = 'left';
    case Right = 'right';
    case Down = 'down';

    /** Whether it runs along the x axis. */
    public function isSideways(): bool
    {
        return $this !== self::Down;
    }

    /** The edge of a box by which something that runs in this direction comes in. */
    public function edge(): string
    {
        return match ($this) {
            self::Left => 'right',
            self::Right => 'left',
            self::Down => 'top',
        };
    }

    /** 1 towards the right or downwards, -1 towards the left. */
    public function sign(): int
    {
        return $this === self::Left ? -1 : 1;
    }
}
