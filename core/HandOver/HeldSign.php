<?php

declare(strict_types=1);

namespace ChalkTree\HandOver;

use ChalkTree\Draw\Primitive;
use ChalkTree\Face\Area;
use ChalkTree\Face\FacePart;
use ChalkTree\Face\FacePlace;
use ChalkTree\Look\Look;
use ChalkTree\Text\Wrapper;

/** The sign of a topic that is held back, after its title: a drawn curtain on its rail. */
final readonly class HeldSign implements FacePart
{
    private const ROOM = 20.0;

    private const WIDE = 12.0;

    private const HIGH = 11.0;

    public function place(Look $look): FacePlace
    {
        return FacePlace::After;
    }

    public function key(): string
    {
        return 'private';
    }

    public function size(float $widest, Look $look, Wrapper $wrapper): array
    {
        return [self::ROOM, self::HIGH];
    }

    public function draw(Area $area, Look $look, Wrapper $wrapper): array
    {
        $x = $area->x + self::ROOM - self::WIDE;
        $y = $area->beside(self::HIGH, $look->type->line);
        $rail = 'M'.($x - 1).' '.($y + 0.5).'h14';
        $folds = "M{$x} ".($y + 1).'h12v9.5q-1.5 1 -3 0t-3 0t-3 0t-3 0z';
        $lines = 'M'.($x + 3).' '.($y + 2).'v7.5M'.($x + 6).' '.($y + 2).'v7.5M'.($x + 9).' '.($y + 2).'v7.5';

        return [
            Primitive::path('private-sign', $folds, '', $look->type->softInk, 1.3),
            Primitive::path('private-sign', $rail.$lines, '', $look->type->softInk, 1.3),
        ];
    }
}
