<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

/** A direction on the board: an axis, and which way along it. */
enum Growth: string
{
    case Left = 'left';
    case Right = 'right';
    case Down = 'down';
    case Up = 'up';

    /** Whether it runs along the x axis. */
    public function isSideways(): bool
    {
        return $this === self::Left || $this === self::Right;
    }

    /** The edge of a box by which something that runs in this direction comes in. */
    public function edge(): string
    {
        return match ($this) {
            self::Left => 'right',
            self::Right => 'left',
            self::Down => 'top',
            self::Up => 'bottom',
        };
    }

    /** 1 towards the right or downwards, -1 towards the left or upwards. */
    public function sign(): int
    {
        return $this === self::Left || $this === self::Up ? -1 : 1;
    }

    /** The same on a board that is seen in a mirror. */
    public function mirrored(): self
    {
        return $this->isSideways() ? $this->opposite() : $this;
    }

    public function opposite(): self
    {
        return match ($this) {
            self::Left => self::Right,
            self::Right => self::Left,
            self::Down => self::Up,
            self::Up => self::Down,
        };
    }
}
