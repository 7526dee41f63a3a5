<?php

declare(strict_types=1);

namespace ChalkTree\Shape;

/** Text over one stroke of chalk. */
final class Underscored implements Shape
{
    use Unboxed;

    public static function name(): string
    {
        return 'underscored';
    }

    public function outline(float $w, float $h, float $corner): string
    {
        $foot = $h - 1.5;

        return 'M2 '.($foot - 0.5).'C'.Path::short($w * 0.3).' '.($foot + 1.5).' '.Path::short($w * 0.65).' '.($foot - 2).' '.($w - 2)." {$foot}";
    }

    public function edge(string $ofLevel): string
    {
        return 'chalk';
    }
}
