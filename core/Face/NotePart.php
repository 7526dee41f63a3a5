<?php

declare(strict_types=1);

namespace ChalkTree\Face;

use ChalkTree\Draw\Primitive;
use ChalkTree\Look\Look;
use ChalkTree\Text\Wrapper;

/** The sign, beside the first line of a title, that a topic has a note, and of what sort. */
final readonly class NotePart implements FacePart
{
    public const ROOM = 18.0;

    private const WIDTH = 11.0;

    private const HEIGHT = 10.0;

    public function __construct(private NoteSort $sort = NoteSort::Short)
    {
    }

    public function place(Look $look): FacePlace
    {
        return FacePlace::After;
    }

    public function key(): string
    {
        return $this->sort->value;
    }

    public function size(float $widest, Look $look, Wrapper $wrapper): array
    {
        return [self::ROOM, self::HEIGHT];
    }

    public function draw(Area $area, Look $look, Wrapper $wrapper): array
    {
        $x = $area->x + self::ROOM - self::WIDTH;
        $y = $area->beside(self::HEIGHT, $look->type->line);

        return [Primitive::path('note-sign', "M{$x} {$y}".$this->sort->lines(), '', $look->type->softInk, 1.6)];
    }
}
