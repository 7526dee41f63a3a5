<?php

declare(strict_types=1);

namespace ChalkTree\Face;

use ChalkTree\Draw\TextLine;
use ChalkTree\Look\Look;
use ChalkTree\Text\Line;
use ChalkTree\Text\Wrapper;

/** Plain text in a box in the small type of its look, such as a caption. Whoever uses it has a $text, and says what PART it is and what ROOM it keeps from the title, pixels. */
trait InSmallType
{
    /** From baseline to baseline, and from the top to the first one, for a type size of 1. */
    private const LINE = 16 / 12;

    private const FIRST = 13 / 12;

    public function key(): string
    {
        return self::PART." {$this->text}";
    }

    public function size(float $widest, Look $look, Wrapper $wrapper): array
    {
        [$wide, $count] = $wrapper->plainExtent($this->text, $look->type->small, $widest, $look->type->face->cut());

        return [$wide, $count * self::LINE * $look->type->small + self::ROOM];
    }

    public function draw(Area $area, Look $look, Wrapper $wrapper): array
    {
        $small = $look->type->small;
        $parts = [];
        foreach ($this->lines($area->widest, $look, $wrapper) as $i => $line) {
            $y = round($area->y + ($i * self::LINE + self::FIRST) * $small, 2);
            array_push($parts, ...TextLine::of(self::PART, $line, $area->begin($line), $y, $small, $look->type->softInk, $look));
        }

        return $parts;
    }

    /** @return non-empty-list<Line> */
    private function lines(float $widest, Look $look, Wrapper $wrapper): array
    {
        return $wrapper->wrapPlain($this->text, $look->type->small, $widest, $look->type->face->cut());
    }
}
