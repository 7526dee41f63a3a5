<?php

declare(strict_types=1);

namespace ChalkTree\Shape;

use ChalkTree\Arrange\Growth;

/** Pieces of SVG paths. */
final class Path
{
    /** A rectangle whose corners are round, no rounder than it is high or wide. */
    public static function rounded(float $w, float $h, float $corner): string
    {
        $r = min($corner, $w / 2, $h / 2);
        if ($r <= 0.0) {
            return "M0 0H{$w}V{$h}H0Z";
        }

        return "M{$r} 0H".($w - $r)."A{$r} {$r} 0 0 1 {$w} {$r}V".($h - $r)."A{$r} {$r} 0 0 1 ".($w - $r)." {$h}H{$r}A{$r} {$r} 0 0 1 0 ".($h - $r)."V{$r}A{$r} {$r} 0 0 1 {$r} 0Z";
    }

    /** The bar along one edge of such a rectangle, round where it is. */
    public static function roundedSpine(float $w, float $h, float $corner, float $s, Growth $enters): string
    {
        $r = min($corner, $w / 2, $h / 2);
        $inner = $h - 2 * $r;

        return match ($enters) {
            Growth::Right => "M{$r} 0A{$r} {$r} 0 0 0 0 {$r}v{$inner}A{$r} {$r} 0 0 0 {$r} {$h}H".max($s, $r)."L{$s} ".($h - $r)."V{$r}L".max($s, $r).' 0Z',
            Growth::Left => 'M'.($w - $r)." 0A{$r} {$r} 0 0 1 {$w} {$r}v{$inner}A{$r} {$r} 0 0 1 ".($w - $r)." {$h}L".($w - $s).' '.($h - $r)."V{$r}Z",
            Growth::Down => "M0 {$r}A{$r} {$r} 0 0 1 {$r} 0H".($w - $r)."A{$r} {$r} 0 0 1 {$w} {$r}L".($w - $r)." {$s}H{$r}Z",
            Growth::Up => 'M0 '.($h - $r)."A{$r} {$r} 0 0 0 {$r} {$h}H".($w - $r)."A{$r} {$r} 0 0 0 {$w} ".($h - $r).'L'.($w - $r).' '.($h - $s)."H{$r}Z",
        };
    }

    /** @param  non-empty-list<array{float, float}>  $points */
    public static function polygon(array $points): string
    {
        return 'M'.implode('L', array_map(fn (array $point): string => self::short($point[0]).' '.self::short($point[1]), $points)).'Z';
    }

    /**
     * A bar along a chain of points, as thick as asked across the direction.
     *
     * @param  non-empty-list<array{float, float}>  $points
     * @param  Growth  $inwards  from the edge into the box
     */
    public static function along(array $points, float $thick, Growth $inwards): string
    {
        [$dx, $dy] = $inwards->isSideways() ? [$inwards->sign() * $thick, 0.0] : [0.0, $inwards->sign() * $thick];

        return self::polygon([...$points, ...array_map(fn (array $point): array => [$point[0] + $dx, $point[1] + $dy], array_reverse($points))]);
    }

    public static function short(float $number): float
    {
        return round($number, 2);
    }
}
