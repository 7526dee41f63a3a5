<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

/**
 * Lets an arrangement place a branch as if it were seen in a mirror, so that none has to know of left and right more than
 * its own way.
 */
final class Mirror
{
    /**
     * @param  list<Slip>  $children
     * @param  array<string, list<Slip>>  $below  the slips below each child, where more than one level is placed
     */
    public static function place(Arrangement $arrangement, Slip $slip, array $children, array $below): void
    {
        $all = array_merge([$slip], $children, ...array_values($below));
        array_walk($all, self::flip(...));
        $arrangement->place($slip, $children, $below);
        foreach ($children as $child) {
            self::back($child, $slip->w);
            foreach ($below[$child->topic->id] ?? [] as $cell) {
                self::back($cell, $child->w);
            }
        }
        $slip->axis = self::turned($slip->axis, $slip->w);
        $slip->ruler = $slip->ruler?->turned($slip->w);
        foreach ($slip->ways as $id => ['points' => $points, 'words' => $words]) {
            $slip->ways[$id] = ['points' => array_map(fn (array $point): array => [$slip->w - $point[0], $point[1]], $points), 'words' => $words === null ? null : [$slip->w - $words[0], $words[1]]];
        }
        array_walk($all, self::flip(...));
    }

    private static function flip(Slip $slip): void
    {
        [$slip->left, $slip->right] = [$slip->right, $slip->left];
        $slip->growth = $slip->growth->mirrored();
        $slip->enters = $slip->enters->mirrored();
        $slip->isFlipped = ! $slip->isFlipped;
    }

    private static function back(Slip $slip, float $width): void
    {
        $slip->x = $width - $slip->x - $slip->w;
        $slip->route = self::turned($slip->route, $slip->w);
        $slip->leaves = $slip->leaves->mirrored();
    }

    /**
     * @param  list<float>  $points  x and y in turn
     * @return list<float>
     */
    private static function turned(array $points, float $width): array
    {
        for ($i = 0; $i < count($points); $i += 2) {
            $points[$i] = $width - $points[$i];
        }

        return array_values($points);
    }
}
