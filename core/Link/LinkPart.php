<?php

declare(strict_types=1);

namespace ChalkTree\Link;

use ChalkTree\Draw\Primitive;
use ChalkTree\Face\Area;
use ChalkTree\Face\FacePart;
use ChalkTree\Face\FacePlace;
use ChalkTree\Look\Look;
use ChalkTree\Text\Wrapper;

/** The sign, beside the first line of a title, that a topic leads elsewhere: an arrow that leaves. */
final readonly class LinkPart implements FacePart
{
    private const ROOM = 19.0;

    private const SIDE = 11.0;

    /** Around the sign, so that a finger finds it. */
    private const HAND = 4.0;

    public function __construct(private string $topic)
    {
    }

    public function place(Look $look): FacePlace
    {
        return FacePlace::After;
    }

    public function key(): string
    {
        return 'link';
    }

    public function size(float $widest, Look $look, Wrapper $wrapper): array
    {
        return [self::ROOM, self::SIDE];
    }

    public function draw(Area $area, Look $look, Wrapper $wrapper): array
    {
        $x = $area->x + self::ROOM - self::SIDE;
        $y = $area->beside(self::SIDE, $look->type->line);
        [$left, $top, $wide] = [$x - self::HAND, $y - self::HAND, self::SIDE + 2 * self::HAND];
        $touch = "out:{$this->topic}";

        return [
            Primitive::path('link-room', "M{$left} {$top}h{$wide}v{$wide}h-{$wide}Z")->touching($touch),
            Primitive::path('link-sign', "M{$x} ".($y + self::SIDE).'l10.5 -10.5m-7.5 0h7.5v7.5', '', $look->type->softInk, 1.6),
        ];
    }
}
