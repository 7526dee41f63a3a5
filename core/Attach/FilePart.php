<?php

declare(strict_types=1);

namespace ChalkTree\Attach;

use ChalkTree\Draw\Primitive;
use ChalkTree\Face\Area;
use ChalkTree\Face\FacePart;
use ChalkTree\Face\FacePlace;
use ChalkTree\Look\Look;
use ChalkTree\Text\Wrapper;

/** The sign, beside the first line of a title, that files are at a topic: a sheet with a corner folded, two where there are several, and what sort they are of. */
final readonly class FilePart implements FacePart
{
    private const ROOM = 20.0;

    private const WIDE = 10.0;

    private const HIGH = 12.0;

    /** Around the sign, so that a finger finds it. */
    private const HAND = 4.0;

    public function __construct(private string $topic, private FileSort $sort, private int $count)
    {
    }

    public function place(Look $look): FacePlace
    {
        return FacePlace::After;
    }

    public function key(): string
    {
        return "file {$this->sort->name} ".($this->count > 1 ? 'several' : 'one');
    }

    public function size(float $widest, Look $look, Wrapper $wrapper): array
    {
        return [self::ROOM, self::HIGH];
    }

    public function draw(Area $area, Look $look, Wrapper $wrapper): array
    {
        $x = $area->x + self::ROOM - self::WIDE - 2;
        $y = $area->beside(self::HIGH, $look->type->line);
        [$left, $top, $wide, $high] = [$x - self::HAND, $y - self::HAND, self::WIDE + 2 * self::HAND, self::HIGH + 2 * self::HAND];
        $second = $this->count > 1 ? 'M'.($x + 2)." {$y}m0 -2h5.5l3 3v8.5" : '';

        return [
            Primitive::path('file-room', "M{$left} {$top}h{$wide}v{$high}h-{$wide}Z")->touching("file:{$this->topic}"),
            Primitive::path('file-sign', "M{$x} {$y}h6.5l3 3v9h-9.5Z".$second."M{$x} {$y}".$this->sort->lines(), '', $look->type->softInk, 1.4),
        ];
    }
}
