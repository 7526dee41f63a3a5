<?php

declare(strict_types=1);

namespace ChalkTree\Sign;

use ChalkTree\Draw\Primitive;
use ChalkTree\Draw\TextLine;
use ChalkTree\Face\Area;
use ChalkTree\Face\FacePart;
use ChalkTree\Face\FacePlace;
use ChalkTree\Look\Look;
use ChalkTree\Text\Line;
use ChalkTree\Text\Wrapper;

/** The tags of a topic, below its text: each a word on a strip of its chalk with one torn end. */
final class TagsPart implements FacePart
{
    private const ROOM = 5.0;

    private const GAP = 5.0;

    /** From the edge of a strip to its word. */
    private const PAD = 6.0;

    /** @var array{float, float} width and height, as they were measured last */
    private array $size = [0.0, 0.0];

    private string $measuredFor = '';

    private float $measuredAt = 0.0;

    /** @param  non-empty-list<Tag>  $tags  in the order in which they stand */
    public function __construct(private readonly array $tags)
    {
    }

    public function place(Look $look): FacePlace
    {
        return FacePlace::Below;
    }

    public function key(): string
    {
        return 'tags '.implode(' ', array_map(fn (Tag $tag): string => "{$tag->chalk()} {$tag->text('name')}", $this->tags));
    }

    public function size(float $widest, Look $look, Wrapper $wrapper): array
    {
        // Asked for every topic that has these tags, and the same for all of one look.
        if ($look->hash !== $this->measuredFor || $widest !== $this->measuredAt) {
            $rows = $this->rows($widest, $look, $wrapper);
            $this->size = [max(array_map(self::width(...), $rows)), count($rows) * (self::high($look) + self::GAP) - self::GAP + self::ROOM];
            [$this->measuredFor, $this->measuredAt] = [$look->hash, $widest];
        }

        return $this->size;
    }

    public function draw(Area $area, Look $look, Wrapper $wrapper): array
    {
        $parts = [];
        $size = $look->type->small;
        $high = self::high($look);
        foreach ($this->rows($area->widest, $look, $wrapper) as $i => $row) {
            $x = $area->at(self::width($row));
            $y = $area->y + self::ROOM + $i * ($high + self::GAP);
            foreach ($row as [$tag, $line, $w]) {
                [$inner, $notch, $half] = [$w - 5, 3, $high / 2];
                $parts[] = Primitive::path('tag', "M{$x} {$y}h{$inner}l{$notch} {$half}l-{$notch} {$half}h-{$inner}Z", "tint:{$tag->chalk()}", "chalk:{$tag->chalk()}", 1.0);
                array_push($parts, ...TextLine::of('tag', $line, $x + self::PAD, round($y + $high / 2 + $size * 0.35, 2), $size, "text:{$tag->chalk()}", $look));
                $x = round($x + $w + self::GAP, 2);
            }
        }

        return $parts;
    }

    /** @return non-empty-list<non-empty-list<array{Tag, Line, float}>> as many in a row as have room; with the width of each */
    private function rows(float $widest, Look $look, Wrapper $wrapper): array
    {
        $rows = [[]];
        $at = 0.0;
        foreach ($this->tags as $tag) {
            $line = $wrapper->wrapPlain($tag->text('name'), $look->type->small, INF, $look->type->face->cut())[0];
            $w = round($line->width + 2 * self::PAD + 2, 2);
            if ($at > 0.0 && $at + $w > $widest) {
                $rows[] = [];
                $at = 0.0;
            }
            $rows[count($rows) - 1][] = [$tag, $line, $w];
            $at += $w + self::GAP;
        }

        /** @var non-empty-list<non-empty-list<array{Tag, Line, float}>> */
        return $rows;
    }

    /** @param  non-empty-list<array{Tag, Line, float}>  $row */
    private static function width(array $row): float
    {
        return array_sum(array_column($row, 2)) + self::GAP * (count($row) - 1);
    }

    private static function high(Look $look): float
    {
        return round($look->type->small * 1.45);
    }
}
