<?php

declare(strict_types=1);

namespace ChalkTree\Shape;

use ChalkTree\Arrange\Growth;

/**
 * The outline of a slip: how large a box it needs for what stands in it, what is drawn, and where it meets spine and
 * connectors. What stands in it is a rectangle in its middle. Lengths are in pixels from the top left corner of the box.
 */
interface Shape
{
    /** The name on the wire and in files. */
    public static function name(): string;

    /** Whether a rectangle fills it, so that all of its box is room. */
    public function isFull(): bool;

    /**
     * The least box in whose outline a rectangle fits.
     *
     * @return array{float, float} width and height
     */
    public function around(float $w, float $h): array;

    /** How wide text may be in a box of a width; with high text the box may still come to be wider. */
    public function within(float $w): float;

    /** The outline as an SVG path; empty where there is no paper. */
    public function outline(float $w, float $h, float $corner): string;

    /** The bar along the edge by which the connector comes in, as an SVG path; empty where it has none. */
    public function spine(float $w, float $h, float $corner, float $thick, Growth $enters): string;

    /**
     * How far the outline lies inside an edge of the box.
     *
     * @param  Growth  $edge  the edge by this direction: what goes right leaves by the right edge
     * @param  float  $at  along it, from the top or the left
     */
    public function inset(float $w, float $h, Growth $edge, float $at): float;

    /** What its paper is painted in where nothing was said, if its level has this paint; see BoxLook. */
    public function fill(string $ofLevel): string;

    /** The same of its outline. */
    public function edge(string $ofLevel): string;
}
