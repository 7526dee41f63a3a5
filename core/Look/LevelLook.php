<?php

declare(strict_types=1);

namespace ChalkTree\Look;

/** How the topics of one level are set and spaced. Lengths are in pixels at scale 1. */
final readonly class LevelLook
{
    /**
     * @param  float  $size  type size
     * @param  float  $line  from baseline to baseline
     * @param  int  $padX  from the slip's edge to the text, left and right
     * @param  int  $padY  the same above and below
     * @param  int  $widest  the width at which titles wrap
     * @param  int  $gap  between the slips of this level one below the other
     * @param  int  $reach  from a slip of this level to its subtopics
     * @param  float  $thick  the connector's thickness where it leaves the parent
     * @param  float  $thin  the connector's thickness where it meets this slip
     * @param  int  $corner  the radius of the slip's corners
     */
    public function __construct(
        public float $size,
        public float $line,
        public bool $bold,
        public int $padX,
        public int $padY,
        public int $widest,
        public int $gap,
        public int $reach,
        public float $thick,
        public float $thin,
        public int $corner,
        public int $spine,
    ) {
    }
}
