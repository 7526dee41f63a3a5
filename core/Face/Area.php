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

    /** Where something of a width begins in it. */
    public function begin(float $w, bool $isCentred): float
    {
        return $isCentred ? $this->x + ($this->w - $w) / 2 : $this->x;
    }
}
