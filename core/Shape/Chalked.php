<?php

declare(strict_types=1);

namespace ChalkTree\Shape;

/** A box drawn by hand with a piece of chalk: its lines overshoot at the corners. */
final class Chalked implements Shape
{
    use Unboxed;

    public static function name(): string
    {
        return 'chalked';
    }

    private const OVER = 4.0;

    public function outline(float $w, float $h, float $corner): string
    {
        [$o, $right, $foot] = [self::OVER, $w - 1.5, $h - 1.5];

        return 'M'.-$o.' 2.5Q'.($w / 2).' -1 '.($w + $o / 2).' 1.5M'.$right.' '.-$o.'Q'.($w - 3).' '.($h / 2)." {$right} ".($h + $o / 2)
            .'M'.($w + $o).' '.($foot - 1).'Q'.($w / 2).' '.($h + 1.5).' '.-$o / 2 ." {$foot}M2 ".($h + $o).'Q-1 '.($h / 2).' 1.5 '.-$o / 2;
    }

    public function edge(string $ofLevel): string
    {
        return 'chalk';
    }
}
