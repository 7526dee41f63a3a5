<?php

declare(strict_types=1);

namespace ChalkTree\Flow;

/**
 * Lays out a flow chart: boxes in rows (Ranks), in an order in which few lines cross (Order), so far across that lines run
 * straight (FlowRows, Across), lines where they meet boxes (FlowPorts), and lines across and down in the gaps (FlowHeights,
 * Tracks, FlowWays). Nothing lies on anything by construction: boxes, points and words have room of their own in their
 * rows, and lines go across only between rows.
 */
final readonly class FlowLayout
{
    /**
     * @param  list<FlowBox>  $boxes
     * @param  list<FlowLine>  $lines  between two different of these
     */
    public static function of(array $boxes, array $lines): FlowChart
    {
        if ($boxes === []) {
            return new FlowChart([], [], [], [0.0, 0.0, 0.0, 0.0]);
        }
        $number = array_flip(array_map(fn (FlowBox $box): string => $box->id, $boxes));
        $ends = array_map(fn (FlowLine $line): array => [$number[$line->from], $number[$line->to]], $lines);
        $chains = new Chains($boxes, $ends, new Ranks(count($boxes), $ends));
        $at = new FlowRows($boxes, $lines, $chains, new Order($chains));
        $ports = new FlowPorts($boxes, $at);
        $heights = new FlowHeights($boxes, $lines, $at, $ports);

        return self::chart($boxes, $lines, $at, $heights, new FlowWays($boxes, $at, $ports, $heights));
    }

    /**
     * @param  list<FlowBox>  $boxes
     * @param  list<FlowLine>  $lines
     */
    private static function chart(array $boxes, array $lines, FlowRows $at, FlowHeights $heights, FlowWays $drawn): FlowChart
    {
        $places = $ways = $words = [];
        [$left, $top, $right, $bottom] = [INF, INF, -INF, -INF];
        foreach ($boxes as $n => $box) {
            $places[$box->id] = [$x, $y] = [$at->x[$n], $heights->y[2 * $at->chains->rank[$n]]];
            [$left, $top, $right, $bottom] = [min($left, $x - $box->before), min($top, $y - $box->above), max($right, $x + $box->after), max($bottom, $y + $box->below)];
        }
        foreach ($lines as $n => $line) {
            $ways[$line->id] = $way = $drawn->way($n);
            foreach ($way as [$x, $y]) {
                [$left, $top, $right, $bottom] = [min($left, $x), min($top, $y), max($right, $x), max($bottom, $y)];
            }
            $point = $line->w > 0.0 ? $at->wordPoint($n) : null;
            if ($point !== null) {
                [$x, $y] = $words[$line->id] = [$at->x[$point], $heights->y[2 * $at->rowOf($n, $point) + 1]];
                [$left, $right] = [min($left, $x - $line->w / 2), max($right, $x + $line->w / 2)];
            }
        }

        return new FlowChart($places, $ways, $words, [$left, $top, $right, $bottom]);
    }
}
