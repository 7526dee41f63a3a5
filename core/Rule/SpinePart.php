<?php

declare(strict_types=1);

namespace ChalkTree\Rule;

use ChalkTree\Face\Area;
use ChalkTree\Face\FacePlace;
use ChalkTree\Face\FillsSpine;
use ChalkTree\Look\Look;
use ChalkTree\Text\Wrapper;

/** Fills the spine of a topic as far as it is. It takes no room. */
final readonly class SpinePart implements FillsSpine
{
    /** In whole percent, so that what looks alike is alike. */
    private int $progress;

    /** @param  float  $progress  from 0 to 100 */
    public function __construct(float $progress)
    {
        $this->progress = (int) round($progress);
    }

    public function share(): float
    {
        return max(0.0, min(1.0, $this->progress / 100));
    }

    public function place(Look $look): FacePlace
    {
        return FacePlace::Below;
    }

    public function key(): string
    {
        return "spine {$this->progress}";
    }

    public function size(float $widest, Look $look, Wrapper $wrapper): array
    {
        return [0.0, 0.0];
    }

    public function draw(Area $area, Look $look, Wrapper $wrapper): array
    {
        return [];
    }
}
