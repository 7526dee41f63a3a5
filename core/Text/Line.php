<?php

declare(strict_types=1);

namespace ChalkTree\Text;

/** One wrapped line of a title: its width in pixels, and its runs with the place where each begins. */
final readonly class Line
{
    /**
     * @param  list<array{x: float, w: float, run: Run}>  $parts  x of its left end, from the line's left end
     * @param  bool  $isRightToLeft  whether the text is read so
     */
    public function __construct(public float $width, public array $parts, public bool $isRightToLeft = false)
    {
    }
}
