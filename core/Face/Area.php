<?php

declare(strict_types=1);

namespace ChalkTree\Face;

use ChalkTree\Text\Line;

/** The room that a part of a face has, in pixels from the top left corner of the box. */
final readonly class Area
{
    /**
     * @param  float  $widest  the width at which text wraps in it
     * @param  string  $align  of what stands in it, see TypeLook
     * @param  float  $first  the top of the title's first line
     */
    public function __construct(public float $x, public float $y, public float $w, public float $h, public float $widest, public string $align, public float $first)
    {
    }

    /** Where something begins, from the top, that stands in the middle of the title's first line, or of all where no line has room. */
    public function beside(float $height, float $line): float
    {
        return $this->first + $line > $this->y + $this->h ? $this->y + max(0.0, ($this->h - $height) / 2) : $this->first + ($line - $height) / 2;
    }

    /** Where a line begins in it, at the left. */
    public function begin(Line $line): float
    {
        return $this->at($line->width, $line->isRightToLeft);
    }

    /** Where something of a width begins in it, at the left. */
    public function at(float $width, bool $isRightToLeft = false): float
    {
        return match (true) {
            $this->align === 'centre' => $this->x + ($this->w - $width) / 2,
            $this->align === 'right', $this->align === 'start' && $isRightToLeft => $this->x + $this->w - $width,
            default => $this->x,
        };
    }
}
