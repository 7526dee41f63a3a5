<?php

declare(strict_types=1);

namespace ChalkTree\Shape;

/** Text on one broad sweep of the flat side of the chalk. */
final class Swept implements Shape
{
    use Unboxed;

    public static function name(): string
    {
        return 'swept';
    }

    public function outline(float $w, float $h, float $corner): string
    {
        $x = static fn (float $part): float => Path::short($w * $part);
        $y = static fn (float $part): float => Path::short($h * $part);

        return "M2 {$y(0.12)}C{$x(0.3)} {$y(0.02)} {$x(0.7)} {$y(0.08)} {$w} 0L{$x(1)} {$y(0.3)}L".($w - 4)." {$y(0.36)}L".($w - 1)." {$y(0.88)}C{$x(0.7)} {$h} {$x(0.35)} {$y(0.93)} 4 {$h}L1 {$y(0.74)}L5 {$y(0.66)}L0 {$y(0.3)}Z";
    }

    public function fill(string $ofLevel): string
    {
        return 'tint';
    }
}
