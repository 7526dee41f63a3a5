<?php

declare(strict_types=1);

namespace ChalkTree\Look;

use ChalkTree\Text\Run;
use ChalkTree\Text\TypeFace;

/** How the text of a topic is set. Lengths are in pixels at scale 1. */
final readonly class TypeLook
{
    /**
     * @param  float  $size  type size
     * @param  float  $line  from baseline to baseline
     * @param  string  $align  left, centre, right, or start, which is where the text is read from; a block ranged left stands beside the spine
     * @param  string  $ink  the paint of the title, by its role
     * @param  string  $softInk  that of what stands beside it
     * @param  float  $small  the type size of what stands beside it
     */
    public function __construct(
        public float $size,
        public float $line,
        public bool $bold,
        public string $align,
        public string $ink,
        public string $softInk,
        public bool $slanted = false,
        public TypeFace $face = TypeFace::Clear,
        public float $small = 12.0,
        public bool $captionAbove = false,
    ) {
    }

    /** The marks that hold for all of a title. */
    public function marks(): int
    {
        return ($this->bold ? Run::BOLD : 0) | ($this->slanted ? Run::ITALIC : 0) | $this->face->cut();
    }

    /** The first baseline, from the top of the text. */
    public function baseline(): float
    {
        return $this->face->baseline($this->size, $this->line);
    }
}
