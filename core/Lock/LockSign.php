<?php

declare(strict_types=1);

namespace ChalkTree\Lock;

use ChalkTree\Draw\Primitive;
use ChalkTree\Face\Area;
use ChalkTree\Face\FacePart;
use ChalkTree\Face\FacePlace;
use ChalkTree\Look\Look;
use ChalkTree\Text\Wrapper;

/** The sign of a topic that stays as it is, after its title: a bolted hatch; of one that comes later: the same, ajar and dashed. */
final readonly class LockSign implements FacePart
{
    private const ROOM = 20.0;

    private const WIDE = 12.0;

    private const HIGH = 11.0;

    public function __construct(private bool $isLater)
    {
    }

    public function place(Look $look): FacePlace
    {
        return FacePlace::After;
    }

    public function key(): string
    {
        return $this->isLater ? 'lock later' : 'lock fixed';
    }

    public function size(float $widest, Look $look, Wrapper $wrapper): array
    {
        return [self::ROOM, self::HIGH];
    }

    public function draw(Area $area, Look $look, Wrapper $wrapper): array
    {
        $x = $area->x + self::ROOM - self::WIDE;
        $y = $area->beside(self::HIGH, $look->type->line);
        $hatch = "M{$x} ".($y + 1).'h12v9.5h-12z';
        $bolt = $this->isLater ? 'M'.($x + 6).' '.($y + 3).'v3l2 1.5' : 'M'.($x + 3).' '.($y + 5.8).'h6M'.($x + 9).' '.($y + 4).'v3.6';

        return [Primitive::path('lock-sign', $hatch.$bolt, '', $look->type->softInk, 1.3)];
    }
}
