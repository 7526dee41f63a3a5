<?php

declare(strict_types=1);

namespace Tests\Support\Ties;

use ChalkTree\Draw\Primitive;
use ChalkTree\Face\Area;
use ChalkTree\Face\FacePart;
use ChalkTree\Face\FacePlace;
use ChalkTree\Look\Look;
use ChalkTree\Text\Wrapper;

/** How heavy a topic is, as a bar in its box: before the text if it is light, above it if it is heavy. */
final readonly class WeightPart implements FacePart
{
    public function __construct(private int $grams)
    {
    }

    public function place(Look $look): FacePlace
    {
        return $this->grams < 500 ? FacePlace::Before : FacePlace::Above;
    }

    public function key(): string
    {
        return "weight {$this->grams}";
    }

    public function size(float $widest, Look $look, Wrapper $wrapper): array
    {
        return $this->grams < 500 ? [20.0, 40.0] : [$this->grams / 2, 12.0];
    }

    public function draw(Area $area, Look $look, Wrapper $wrapper): array
    {
        return [Primitive::path('weight', "M{$area->x} {$area->y}h{$area->w}v{$area->h}h-{$area->w}Z", 'ink')];
    }
}
