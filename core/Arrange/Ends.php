<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

/** Brings the ends of connectors to the outlines of shapes that do not fill their boxes. */
final class Ends
{
    /**
     * @param  list<Slip>  $children  with the ways of their connectors
     * @param  array<string, list<Slip>>  $below  those below each child that were placed too
     */
    public static function meet(Slip $slip, array $children, array $below): void
    {
        $isFull = $slip->look->box->isFull;
        foreach ($children as $child) {
            // Most shapes fill their boxes.
            if (! ($isFull && $child->look->box->isFull) && $child->route !== []) {
                self::begin($slip, $child);
                self::end($child);
            }
        }
        foreach ($below as $id => $cells) {
            foreach ($children as $child) {
                if ($child->topic->id === $id) {
                    self::meet($child, $cells, []);
                }
            }
        }
    }

    private static function begin(Slip $slip, Slip $child): void
    {
        $shape = $slip->look->box->shape();
        // Where topics stand by their days, connectors begin on the line.
        if ($shape->isFull() || $child->isDirect || $slip->ruler !== null) {
            return;
        }
        $at = $child->leaves->isSideways() ? $child->y + $child->route[1] : $child->x + $child->route[0];
        $inset = $shape->inset($slip->w, $slip->h, $child->leaves, $at) * $child->leaves->sign();
        $child->route = self::moved($child->route, $child->leaves->isSideways() ? 0 : 1, -$inset);
    }

    private static function end(Slip $child): void
    {
        $shape = $child->look->box->shape();
        if ($shape->isFull() || $child->isDirect) {
            return;
        }
        $enters = $child->enters;
        $last = count($child->route) - 2;
        $at = $child->route[$last + ($enters->isSideways() ? 1 : 0)];
        $inset = $shape->inset($child->w, $child->h, $enters->opposite(), $at) * $enters->sign();
        if (abs($inset) < 0.05) {
            return;
        }
        // A turn has to be over where siblings begin, so beyond that it goes straight.
        if ($last === 2 && $child->isCurved) {
            $child->route = [...$child->route, ...array_slice($child->route, 2)];
            $last = 4;
        }
        $child->route = self::moved($child->route, $last + ($enters->isSideways() ? 0 : 1), $inset);
    }

    /**
     * @param  list<float>  $route
     * @return list<float>
     */
    private static function moved(array $route, int $which, float $by): array
    {
        return array_map(fn (float $at, int $n): float => $n === $which ? $at + $by : $at, $route, array_keys($route));
    }
}
