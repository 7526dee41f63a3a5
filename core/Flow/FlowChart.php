<?php

declare(strict_types=1);

namespace ChalkTree\Flow;

/**
 * A flow chart as it was laid out: across and down.
 *
 * @phpstan-type Point array{float, float}
 */
final readonly class FlowChart
{
    /**
     * @param  array<string, Point>  $places  the middle of each box
     * @param  array<string, non-empty-list<Point>>  $ways  of each line, from outline to outline, in straight pieces across and down
     * @param  array<string, Point>  $words  the middle of the words on a line
     * @param  array{float, float, float, float}  $bounds  left, top, right, bottom of all that
     */
    public function __construct(public array $places, public array $ways, public array $words, public array $bounds)
    {
    }
}
