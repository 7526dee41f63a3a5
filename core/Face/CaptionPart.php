<?php

declare(strict_types=1);

namespace ChalkTree\Face;

use ChalkTree\Draw\TextLine;
use ChalkTree\Look\Look;
use ChalkTree\Text\Line;
use ChalkTree\Text\Wrapper;

/** The short second line below a title, in small type. */
final readonly class CaptionPart implements FacePart
{
    /** From baseline to baseline, and from the top to the first one, for a type size of 1. */
    private const LINE = 16 / 12;

    private const FIRST = 13 / 12;

    private const ROOM = 3.0;

    public function __construct(private string $caption)
    {
    }

    public function place(Look $look): FacePlace
    {
        return $look->type->captionAbove ? FacePlace::Above : FacePlace::Below;
    }

    public function key(): string
    {
        return "caption {$this->caption}";
    }

    public function size(float $widest, Look $look, Wrapper $wrapper): array
    {
        $lines = $this->lines($widest, $look, $wrapper);
        $w = 0.0;
        foreach ($lines as $line) {
            $w = max($w, $line->width);
        }

        return [$w, count($lines) * self::LINE * $look->type->small + self::ROOM];
    }

    public function draw(Area $area, Look $look, Wrapper $wrapper): array
    {
        $small = $look->type->small;
        $parts = [];
        foreach ($this->lines($area->widest, $look, $wrapper) as $i => $line) {
            $y = round($area->y + ($i * self::LINE + self::FIRST) * $small, 2);
            array_push($parts, ...TextLine::of('caption', $line, $area->begin($line), $y, $small, $look->type->softInk, $look));
        }

        return $parts;
    }

    /** @return non-empty-list<Line> */
    private function lines(float $widest, Look $look, Wrapper $wrapper): array
    {
        return $wrapper->wrapPlain($this->caption, $look->type->small, $widest, $look->type->face->cut());
    }
}
