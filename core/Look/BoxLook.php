<?php

declare(strict_types=1);

namespace ChalkTree\Look;

use ChalkTree\Shape\Shape;
use ChalkTree\Shape\Shapes;

/** The paper of a topic. Lengths are in pixels at scale 1. */
final readonly class BoxLook
{
    /** The tint of the branch's chalk, as a fill. */
    public const TINT = 'tint';

    /** Whether a rectangle fills its shape. */
    public bool $isFull;

    /**
     * @param  int  $padX  from the edge to the text, left and right
     * @param  int  $padY  the same above and below
     * @param  int  $widest  the width at which titles wrap
     * @param  int|null  $width  that a person set; else the text decides
     * @param  int  $corner  the radius of the corners
     * @param  int  $spine  the thickness of the spine
     * @param  string  $fill  a paint by its role, one of the branch's chalk (TINT), or '' for none
     * @param  string  $edge  the paint of the outline, or ''
     * @param  string  $shape  its name
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
        public string $shape = 'slip',
        public int $edgeThick = 1,
        public string $edgeDash = 'solid',
    ) {
        $this->isFull = Shapes::called($shape)->isFull();
    }

    public function shape(): Shape
    {
        return Shapes::called($this->shape);
    }
}
