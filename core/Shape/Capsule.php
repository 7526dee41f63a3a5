<?php

declare(strict_types=1);

namespace ChalkTree\Shape;

use ChalkTree\Arrange\Growth;

/** Half circles at both ends. */
final class Capsule implements Shape
{
    use Enclosing;

    public static function name(): string
    {
        return 'capsule';
    }

    /** A little higher than what stands in it, which lets that reach into the ends; never higher than wide. */
    public function around(float $w, float $h): array
    {
        $high = $h * 1.12;

        return [max($high, $w + $high * (1 - sqrt(1 - ($h / $high) ** 2))), $high];
    }

    public function within(float $w): float
    {
        return $w * 0.86;
    }

    public function outline(float $w, float $h, float $corner): string
    {
        return Path::rounded($w, $h, $h / 2);
    }

    public function spine(float $w, float $h, float $corner, float $thick, Growth $enters): string
    {
        $r = min($w, $h) / 2;
        $in = max(1.0, $r - $thick);

        // A crescent at an end, a bar along a side.
        return match ($enters) {
            Growth::Right => "M{$r} 0A{$r} {$r} 0 0 0 {$r} {$h}A{$in} {$r} 0 0 1 {$r} 0Z",
            Growth::Left => 'M'.($w - $r)." 0A{$r} {$r} 0 0 1 ".($w - $r)." {$h}A{$in} {$r} 0 0 0 ".($w - $r).' 0Z',
            Growth::Down => "M{$r} 0H".($w - $r)."v{$thick}H{$r}Z",
            Growth::Up => "M{$r} {$h}H".($w - $r)."v-{$thick}H{$r}Z",
        };
    }

    public function inset(float $w, float $h, Growth $edge, float $at): float
    {
        $r = min($w, $h) / 2;
        $length = $edge->isSideways() ? $h : $w;
        $out = max(0.0, $r - $at, $at - ($length - $r));

        return $r - sqrt(max(0.0, $r ** 2 - min($r, $out) ** 2));
    }
}
