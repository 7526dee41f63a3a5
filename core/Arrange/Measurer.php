<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

use ChalkTree\Face\Area;
use ChalkTree\Face\FacePlace;
use ChalkTree\Face\PlacedFace;
use ChalkTree\Look\Look;
use ChalkTree\Text\Line;
use ChalkTree\Text\Wrapper;

/** Gives a slip its wrapped lines and the size of its box. Sizes are whole and even, so that middles are whole too. */
final class Measurer
{
    /** A slip without text is still wide enough to see and to hit. */
    private const NARROWEST = 56;

    public function __construct(private readonly Wrapper $wrapper)
    {
    }

    public function measure(Slip $slip): void
    {
        $look = $slip->look;
        $shape = $look->box->shape();
        [$w, $h] = $shape->around(...$this->content($slip));
        $slip->w = 2 * ceil(max($w, $look->box->width ?? self::NARROWEST) / 2);
        $slip->h = 2 * ceil($h / 2);
    }

    /**
     * What stands in a box, with what keeps it from the outline and the room of the spine.
     *
     * @return array{float, float} width and height
     */
    private function content(Slip $slip): array
    {
        $look = $slip->look;
        if ($slip->parts === [] && $look->box->width === null && ($width = $this->wrapper->plainWidth($slip->text(), $look->type->size, $look->type->marks())) !== null && $width <= $this->limit($slip)) {
            // One plain line, as most topics are.
            return [$width + self::edges($look), $look->type->line + 2 * $look->box->padY];
        }
        $limit = $this->limit($slip);
        $w = $h = $beside = $tallest = 0.0;
        $hasTitle = true;
        foreach ($slip->parts as $part) {
            [$its, $high] = $part->size($limit, $look, $this->wrapper);
            $place = $part->place($look);
            if ($place === FacePlace::Before || $place === FacePlace::After) {
                $beside += $its;
                $tallest = max($tallest, $high);
            } else {
                $w = max($w, $its);
                $h += $high;
                $hasTitle = $hasTitle && $place !== FacePlace::Instead;
            }
        }
        if ($hasTitle) {
            [$wide, $count] = $this->wrapper->extent($slip->text(), $look->type->size, $limit, $look->type->marks());
            $w = max($w, $wide);
            $h += $count * $look->type->line;
        }

        return [$w + $beside + self::edges($look), max($h, $tallest) + 2 * $look->box->padY];
    }

    /**
     * The title as it is wrapped. Only what is drawn asks for it; a layout makes do with the extent.
     *
     * @return non-empty-list<Line>
     */
    public function lines(Slip $slip): array
    {
        return $this->wrapper->wrap($slip->text(), $slip->look->type->size, $this->limit($slip), $slip->look->type->marks());
    }

    /** Where all stands in the box of a slip that was measured. */
    public function placed(Slip $slip): PlacedFace
    {
        $look = $slip->look;
        $limit = $this->limit($slip);
        $lines = self::isTitleless($slip) ? [] : $this->lines($slip);
        $column = $lines === [] ? 0.0 : max(array_map(fn (Line $line): float => $line->width, $lines));
        $text = count($lines) * $look->type->line;
        // What stands in a shape that no rectangle fills is a rectangle in its middle.
        [$boxW, $boxH] = $look->box->shape()->isFull() ? [$slip->w, $slip->h] : $this->content($slip);
        [$left, $over] = [($slip->w - $boxW) / 2, ($slip->h - $boxH) / 2];
        $sizes = $places = [];
        $align = $look->type->align;
        [$above, $below, $before, $after, $tallest] = [0.0, 0.0, 0.0, 0.0, 0.0];
        foreach ($slip->parts as $i => $part) {
            [$w, $h] = $sizes[$i] = $part->size($limit, $look, $this->wrapper);
            $place = $places[$i] = $part->place($look);
            $align = $place->centres() ? 'centre' : $align;
            if ($place->isBeside()) {
                $tallest = max($tallest, $h);
                $place === FacePlace::Before ? $before += $w : $after += $w;
            } else {
                $column = max($column, $w);
                $place->isBelow() ? $below += $h : $above += $h;
            }
        }
        $high = $boxH - 2 * $look->box->padY;
        $top = $over + $look->box->padY;
        // Where what stands beside it is taller, the text is in the middle.
        $first = $top + $above + max(0.0, ($tallest - $above - $text - $below) / 2);
        $isSpineRight = $slip->enters === Growth::Left;
        $end = $left + $boxW - $look->box->padX - ($isSpineRight ? $look->box->spine : 0);
        $begin = $left + $look->box->padX + ($isSpineRight ? 0 : $look->box->spine);
        $x = match (true) {
            $align === 'centre' => $left + ($boxW - $after - $before - $column) / 2 + $before,
            // Where the spine is at the right, the text stands beside it, as a block.
            $align === 'right', $isSpineRight, $align === 'start' && $lines !== [] && $lines[0]->isRightToLeft => max($begin + $before, $end - $after - $column),
            default => $begin + $before,
        };
        // Without a title, its first line would begin at the top.
        $line = $lines === [] ? $first - $above : $first;
        // From the title outwards, at each of its sides.
        $at = ['above' => $first, 'below' => $first + $text, 'before' => $x, 'after' => $end - $after];
        $parts = [];
        foreach ($slip->parts as $i => $part) {
            [$w, $h] = $sizes[$i];
            if ($places[$i]->isBeside()) {
                $isBefore = $places[$i] === FacePlace::Before;
                $begins = $isBefore ? $at['before'] -= $w : $at['after'];
                $at['after'] += $isBefore ? 0.0 : $w;
                $area = new Area($begins, $top, $w, $high, $limit, $align, $line);
            } else {
                $begins = $places[$i]->isBelow() ? $at['below'] : $at['above'] -= $h;
                $at['below'] += $places[$i]->isBelow() ? $h : 0.0;
                $area = new Area($x, $begins, $column, $h, $limit, $align, $line);
            }
            $parts[] = [$part, $area];
        }

        return new PlacedFace($lines, new Area($x, $first, $column, $text, $limit, $align, $first), $parts);
    }

    /** Whether something stands instead of the title. */
    private static function isTitleless(Slip $slip): bool
    {
        foreach ($slip->parts as $part) {
            if ($part->place($slip->look) === FacePlace::Instead) {
                return true;
            }
        }

        return false;
    }

    /** The baseline of a title's line, from the top of the title. */
    public static function baseline(Look $look, int $line): float
    {
        return $line * $look->type->line + $look->type->baseline();
    }

    /** What a box needs in width for its paper and spine. */
    private static function edges(Look $look): int
    {
        return 2 * $look->box->padX + $look->box->spine;
    }

    /** The width at which text wraps. */
    private function limit(Slip $slip): float
    {
        $look = $slip->look;
        $width = $look->box->width;
        if ($width === null) {
            return $look->box->shape()->isFull() ? $look->box->widest : max(24, $look->box->shape()->within($look->box->widest * 1.2));
        }
        $beside = 0.0;
        foreach ($slip->parts as $part) {
            $beside += $part->place($look)->isBeside() ? $part->size(0.0, $look, $this->wrapper)[0] : 0.0;
        }

        return max(24, $look->box->shape()->within($width) - self::edges($look) - $beside);
    }
}
