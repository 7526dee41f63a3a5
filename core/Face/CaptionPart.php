<?php

declare(strict_types=1);

namespace ChalkTree\Face;

use ChalkTree\Draw\TextLine;
use ChalkTree\Look\Look;
use ChalkTree\Text\Wrapper;

/** The short second line below a title, in small type. */
final readonly class CaptionPart implements FacePart
{
    private const SIZE = 12.0;

    /** From baseline to baseline, and from the top to the first one. */
    private const LINE = 16.0;

    private const FIRST = 13.0;

    private const ROOM = 3.0;

    public function __construct(private string $caption)
    {
    }

    public function place(): FacePlace
    {
        return FacePlace::Below;
    }

    public function key(): string
    {
        return "caption {$this->caption}";
    }

    public function size(float $widest, Wrapper $wrapper): array
    {
        $lines = $wrapper->wrapPlain($this->caption, self::SIZE, $widest);
        $w = 0.0;
        foreach ($lines as $line) {
            $w = max($w, $line->width);
        }

        return [$w, count($lines) * self::LINE + self::ROOM];
    }

    public function draw(Area $area, Look $look, Wrapper $wrapper): array
    {
        $parts = [];
        foreach ($wrapper->wrapPlain($this->caption, self::SIZE, $area->widest) as $i => $line) {
            $y = round($area->y + $i * self::LINE + self::FIRST, 2);
            array_push($parts, ...TextLine::of('caption', $line, $area->begin($line->width, $look->type->isCentred), $y, self::SIZE, $look->type->softInk, $look));
        }

        return $parts;
    }
}
