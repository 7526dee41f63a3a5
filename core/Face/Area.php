<?php

declare(strict_types=1);

namespace ChalkTree\Face;

use ChalkTree\Text\Line;

/** The room that a part of a face has, in pixels from the top left corner of the box. */
final readonly class Area
{
    /** @param  float  $widest  the width at which text wraps in it */
    public function __construct(public float $x, public float $y, public float $w, public float $h, public float $widest)
    {
    }

    /**
     * Where a line begins in it, at the left.
     *
     * @param  string  $align  see TypeLook
     */
    public function begin(Line $line, string $align): float
    {
        return match (true) {
            $align === 'centre' => $this->x + ($this->w - $line->width) / 2,
            $align === 'right', $align === 'start' && $line->isRightToLeft => $this->x + $this->w - $line->width,
            default => $this->x,
        };
    }
}
