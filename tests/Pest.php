<?php

declare(strict_types=1);

use Tests\Support\HttpTestCase;

pest()->extend(HttpTestCase::class)->in('Feature');

/** Pairs of boxes that overlap, found by sweeping from left to right. */
function overlaps(array $boxes): array
{
    usort($boxes, fn (array $a, array $b): int => $a['x'] <=> $b['x']);
    $found = [];
    $open = [];
    foreach ($boxes as $box) {
        foreach ($open as $i => $other) {
            if ($box['x'] >= $other['x'] + $other['w']) {
                unset($open[$i]);
            } elseif ($other['y'] < $box['y'] + $box['h'] && $box['y'] < $other['y'] + $other['h']) {
                $found[] = [$other['id'], $box['id']];
            }
        }
        $open[] = $box;
    }

    return $found;
}
