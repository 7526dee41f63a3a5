<?php

declare(strict_types=1);

namespace ChalkTree\Shape;

use ChalkTree\Arrange\Growth;

/** Outlines that are polygons, given by the points along each of their edges. */
trait Pointed
{
    /**
     * The points of the edge by which what goes in this direction comes in, in one turn from the top or the left.
     *
     * @return non-empty-list<array{float, float}>
     */
    abstract private function chain(float $w, float $h, Growth $enters): array;

    public function spine(float $w, float $h, float $corner, float $thick, Growth $enters): string
    {
        return Path::along($this->chain($w, $h, $enters), $thick, $enters);
    }

    public function inset(float $w, float $h, Growth $edge, float $at): float
    {
        $sideways = $edge->isSideways();
        $chain = $this->chain($w, $h, $edge->opposite());
        for ($i = 1; $i < count($chain); $i++) {
            [$a, $c] = [$chain[$i - 1], $chain[$i]];
            [$from, $to] = $sideways ? [$a[1], $c[1]] : [$a[0], $c[0]];
            if ($at >= $from && $at <= $to && $to > $from) {
                $part = ($at - $from) / ($to - $from);
                $there = $sideways ? $a[0] + ($c[0] - $a[0]) * $part : $a[1] + ($c[1] - $a[1]) * $part;

                return abs($there - match ($edge) {
                    Growth::Left, Growth::Up => 0.0,
                    Growth::Right => $w,
                    Growth::Down => $h,
                });
            }
        }

        // Beyond the ends of an edge that does not reach into the corners.
        return $sideways ? $w / 2 : $h / 2;
    }
}
