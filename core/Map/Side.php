<?php

declare(strict_types=1);

namespace ChalkTree\Map;

/** The side of the root on which a first-level branch grows, where the arrangement has two. */
enum Side: string
{
    case Left = 'left';
    case Right = 'right';

    public function other(): self
    {
        return $this === self::Left ? self::Right : self::Left;
    }
}
