<?php

declare(strict_types=1);

namespace ChalkTree\Look;

/** The paper of a topic. Lengths are in pixels at scale 1. */
final readonly class BoxLook
{
    /** The tint of the branch's chalk, as a fill. */
    public const TINT = 'tint';

    /**
     * @param  int  $padX  from the edge to the text, left and right
     * @param  int  $padY  the same above and below
     * @param  int  $widest  the width at which titles wrap
     * @param  int|null  $width  that a person set; else the text decides
     * @param  int  $corner  the radius of the corners
     * @param  int  $spine  the thickness of the spine
     * @param  string  $fill  a paint by its role, TINT, or '' for none
     * @param  string  $edge  the paint of a thin outline, or ''
     */
    public function __construct(
        public int $padX,
        public int $padY,
        public int $widest,
        public ?int $width,
        public int $corner,
        public int $spine,
        public string $fill,
        public string $edge,
    ) {
    }

    public function wide(?int $width): self
    {
        return new self($this->padX, $this->padY, $this->widest, $width, $this->corner, $this->spine, $this->fill, $this->edge);
    }
}
