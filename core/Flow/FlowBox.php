<?php

declare(strict_types=1);

namespace ChalkTree\Flow;

/**
 * A box of a flow chart, as the layout sees it: the chart runs downwards, and everything is reckoned from the middle of
 * the box. What stands beside the box belongs to it and is kept clear.
 */
final readonly class FlowBox
{
    /**
     * @param  float  $before  how far what belongs to it reaches to the left of its middle, and $after to the right, $above and $below
     * @param  bool  $isPointed  whether lines meet its corners rather than its edges
     * @param  bool  $isOpenBefore  whether one can leave to the left, and $isOpenAfter to the right
     */
    public function __construct(
        public string $id,
        public float $w,
        public float $h,
        public float $before,
        public float $after,
        public float $above,
        public float $below,
        public bool $isPointed = false,
        public bool $isOpenBefore = true,
        public bool $isOpenAfter = true,
    ) {
    }

    /** A box with nothing beside it. */
    public static function plain(string $id, float $w, float $h): self
    {
        return new self($id, $w, $h, $w / 2, $w / 2, $h / 2, $h / 2);
    }
}
