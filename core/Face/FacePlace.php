<?php

declare(strict_types=1);

namespace ChalkTree\Face;

/**
 * Where something stands in the box of a topic: above or below the title, or beside it before or after the text. Over,
 * under and instead of the title it is what the box is about, so that all else is centred on it.
 */
enum FacePlace
{
    case Above;
    case Below;
    case Before;
    case After;
    case Over;
    case Under;
    case Instead;

    public function isBeside(): bool
    {
        return $this === self::Before || $this === self::After;
    }

    public function isBelow(): bool
    {
        return $this === self::Below || $this === self::Under;
    }

    public function centres(): bool
    {
        return $this === self::Over || $this === self::Under || $this === self::Instead;
    }
}
