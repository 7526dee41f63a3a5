<?php

declare(strict_types=1);

namespace ChalkTree\Shape;

use ChalkTree\Arrange\Growth;

/** Outlines that are ellipses. */
trait Round
{
    public function outline(float $w, float $h, float $corner): string
    {
        [$rx, $ry] = [$w / 2, $h / 2];

        return "M0 {$ry}A{$rx} {$ry} 0 0 1 {$w} {$ry}A{$rx} {$ry} 0 0 1 0 {$ry}Z";
    }

    /** A crescent. */
    public function spine(float $w, float $h, float $corner, float $thick, Growth $enters): string
    {
        [$rx, $ry] = [$w / 2, $h / 2];
        [$inX, $inY] = [max(1.0, $rx - $thick), max(1.0, $ry - $thick)];

        return match ($enters) {
            Growth::Right => "M{$rx} 0A{$rx} {$ry} 0 0 0 {$rx} {$h}A{$inX} {$ry} 0 0 1 {$rx} 0Z",
            Growth::Left => "M{$rx} 0A{$rx} {$ry} 0 0 1 {$rx} {$h}A{$inX} {$ry} 0 0 0 {$rx} 0Z",
            Growth::Down => "M0 {$ry}A{$rx} {$ry} 0 0 1 {$w} {$ry}A{$rx} {$inY} 0 0 0 0 {$ry}Z",
            Growth::Up => "M0 {$ry}A{$rx} {$ry} 0 0 0 {$w} {$ry}A{$rx} {$inY} 0 0 1 0 {$ry}Z",
        };
    }

    public function inset(float $w, float $h, Growth $edge, float $at): float
    {
        [$along, $across] = $edge->isSideways() ? [$h / 2, $w / 2] : [$w / 2, $h / 2];
        $part = min(1.0, abs($at - $along) / $along);

        return $across * (1 - sqrt(1 - $part ** 2));
    }
}
