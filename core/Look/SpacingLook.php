<?php

declare(strict_types=1);

namespace ChalkTree\Look;

/** How far a topic stands from its siblings and its parent, in pixels at scale 1. */
final readonly class SpacingLook
{
    /**
     * @param  int  $gap  between it and the sibling after it
     * @param  int  $reach  from its parent to it
     */
    public function __construct(public int $gap, public int $reach)
    {
    }
}
