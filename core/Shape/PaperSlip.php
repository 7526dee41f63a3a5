<?php

declare(strict_types=1);

namespace ChalkTree\Shape;

/** A slip of paper with a spine, as topics are by themselves. */
final class PaperSlip implements Shape
{
    use Rectangular;

    public static function name(): string
    {
        return 'slip';
    }
}
