<?php

declare(strict_types=1);

namespace ChalkTree\Face;

use ChalkTree\Draw\TextLine;
use ChalkTree\Look\Look;
use ChalkTree\Text\Line;
use ChalkTree\Text\Wrapper;

/** The phrase of a topic whose connector has no room for it, in small type above the title. */
final readonly class PhrasePart implements FacePart
{
    /** From baseline to baseline, and from the top to the first one, for a type size of 1. */
    private const LINE = 16 / 12;

    private const FIRST = 13 / 12;

    private const ROOM = 2.0;

    public function __construct(private string $phrase)
    {
    }

    public function place(Look $look): FacePlace
    {
        return FacePlace::Above;
    }

    public function key(): string
    {
        return "phrase {$this->phrase}";
    }

    public function size(float $widest, Look $look, Wrapper $wrapper): array
    {
        $lines = $this->lines($widest, $look, $wrapper);

        return [max(array_map(fn (Line $line): float => $line->width, $lines)), count($lines) * self::LINE * $look->type->small + self::ROOM];
    }

    public function draw(Area $area, Look $look, Wrapper $wrapper): array
    {
        $parts = [];
        foreach ($this->lines($area->widest, $look, $wrapper) as $i => $line) {
            $y = round($area->y + ($i * self::LINE + self::FIRST) * $look->type->small, 2);
            array_push($parts, ...TextLine::of('phrase', $line, $area->begin($line), $y, $look->type->small, $look->type->softInk, $look));
        }

        return $parts;
    }

    /** @return non-empty-list<Line> */
    private function lines(float $widest, Look $look, Wrapper $wrapper): array
    {
        return $wrapper->wrapPlain($this->phrase, $look->type->small, $widest, $look->type->face->cut());
    }
}
