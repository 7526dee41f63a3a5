<?php

declare(strict_types=1);

namespace ChalkTree\Look;

/** How the text of a topic is set. Lengths are in pixels at scale 1. */
final readonly class TypeLook
{
    /**
     * @param  float  $size  type size
     * @param  float  $line  from baseline to baseline
     * @param  bool  $isCentred  else ranged left, in a block beside the spine
     * @param  string  $ink  the paint of the title, by its role
     * @param  string  $softInk  that of what stands beside it
     */
    public function __construct(
        public float $size,
        public float $line,
        public bool $bold,
        public bool $isCentred,
        public string $ink,
        public string $softInk,
    ) {
    }
}
