<?php

declare(strict_types=1);

namespace ChalkTree\Shape;

/** Nothing but the text. */
final class Plain implements Shape
{
    use Unboxed;

    public static function name(): string
    {
        return 'plain';
    }

    public function outline(float $w, float $h, float $corner): string
    {
        return '';
    }
}
