<?php

declare(strict_types=1);

namespace ChalkTree\Face;

/** The room that a part of a face has, in pixels from the top left corner of the box. */
final readonly class Area
{
    /** @param  float  $widest  the width at which text wraps in it */
    public function __construct(public float $x, public float $y, public float $w, public float $h, public float $widest)
    {
    }

    /**
     * Where something of a width begins in it.
     *
     * @param  string  $align  left, centre or right
     */
    public function begin(float $w, string $align): float
    {
        return match ($align) {
            'centre' => $this->x + ($this->w - $w) / 2,
            'right' => $this->x + $this->w - $w,
            default => $this->x,
        };
    }
}
