<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

use ChalkTree\Face\Area;
use ChalkTree\Face\FacePart;
use ChalkTree\Face\FacePlace;
use ChalkTree\Face\PlacedFace;
use ChalkTree\Look\Look;
use ChalkTree\Text\Line;
use ChalkTree\Text\Run;
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
        if ($slip->parts === [] && $look->box->width === null && ($width = $this->wrapper->plainWidth($slip->text(), $look->type->size, self::marks($look))) !== null && $width <= $look->box->widest) {
            // One plain line, as most topics are.
            $slip->w = 2 * ceil(max($width + self::edges($look), self::NARROWEST) / 2);
            $slip->h = self::height($look, $look->type->line);

            return;
        }
        $limit = $this->limit($slip);
        [$w, $count] = $this->wrapper->extent($slip->text(), $look->type->size, $limit, self::marks($look));
        $h = $count * $look->type->line;
        $beside = $tallest = 0.0;
        foreach ($slip->parts as $part) {
            [$its, $high] = $part->size($limit, $this->wrapper);
            if (self::isBeside($part)) {
                $beside += $its;
                $tallest = max($tallest, $high);
            } else {
                $w = max($w, $its);
                $h += $high;
            }
        }
        $slip->w = 2 * ceil(max($w + $beside + self::edges($look), $look->box->width ?? self::NARROWEST) / 2);
        $slip->h = self::height($look, max($h, $tallest));
    }

    /**
     * The title as it is wrapped. Only what is drawn asks for it; a layout makes do with the extent.
     *
     * @return non-empty-list<Line>
     */
    public function lines(Slip $slip): array
    {
        return $this->wrapper->wrap($slip->text(), $slip->look->type->size, $this->limit($slip), self::marks($slip->look));
    }

    /** Where all stands in the box of a slip that was measured. */
    public function placed(Slip $slip): PlacedFace
    {
        $look = $slip->look;
        $limit = $this->limit($slip);
        $lines = $this->lines($slip);
        $column = max(array_map(fn (Line $line): float => $line->width, $lines));
        $text = count($lines) * $look->type->line;
        $sizes = [];
        $room = ['Above' => 0.0, 'Below' => 0.0, 'Before' => 0.0, 'After' => 0.0];
        foreach ($slip->parts as $i => $part) {
            $sizes[$i] = $part->size($limit, $this->wrapper);
            $room[$part->place()->name] += self::isBeside($part) ? $sizes[$i][0] : $sizes[$i][1];
            $column = self::isBeside($part) ? $column : max($column, $sizes[$i][0]);
        }
        $top = (float) $look->box->padY;
        $high = $slip->h - 2 * $top;
        $end = $slip->w - $look->box->padX - ($slip->given->enters === Growth::Left ? $look->box->spine : 0);
        $x = match (true) {
            $look->type->isCentred => ($slip->w - $room['After'] - $room['Before'] - $column) / 2 + $room['Before'],
            $slip->given->enters !== Growth::Left => $look->box->padX + $look->box->spine + $room['Before'],
            // The text stands beside the spine, as a block.
            default => max((float) $look->box->padX + $room['Before'], $end - $room['After'] - $column),
        };
        $at = ['Above' => $top + $room['Above'], 'Below' => $top + $room['Above'] + $text, 'Before' => $x, 'After' => $end - $room['After']];
        $parts = [];
        foreach ($slip->parts as $i => $part) {
            [$w, $h] = $sizes[$i];
            $place = $part->place();
            // From the title outwards.
            $at[$place->name] -= match ($place) {
                FacePlace::Above => $h,
                FacePlace::Before => $w,
                default => 0.0,
            };
            $area = self::isBeside($part)
                ? new Area($at[$place->name], $top, $w, $high, $limit)
                : new Area($x, $at[$place->name], $column, $h, $limit);
            $at[$place->name] += match ($place) {
                FacePlace::Below => $h,
                FacePlace::After => $w,
                default => 0.0,
            };
            $parts[] = [$part, $area];
        }

        return new PlacedFace($lines, new Area($x, $top + $room['Above'], $column, $text, $limit), $parts);
    }

    /** The baseline of a title's line, from the top of the title. */
    public static function baseline(Look $look, int $line): float
    {
        return $line * $look->type->line + ($look->type->line - 1.24 * $look->type->size) / 2 + 0.95 * $look->type->size;
    }

    private static function isBeside(FacePart $part): bool
    {
        return $part->place() === FacePlace::Before || $part->place() === FacePlace::After;
    }

    private static function marks(Look $look): int
    {
        return $look->type->bold ? Run::BOLD : 0;
    }

    /** What a box needs in width for its paper and spine. */
    private static function edges(Look $look): int
    {
        return 2 * $look->box->padX + $look->box->spine;
    }

    /** The width at which text wraps. */
    private function limit(Slip $slip): float
    {
        $width = $slip->look->box->width;
        if ($width === null) {
            return $slip->look->box->widest;
        }
        $beside = 0.0;
        foreach ($slip->parts as $part) {
            $beside += self::isBeside($part) ? $part->size(0.0, $this->wrapper)[0] : 0.0;
        }

        return max(24, $width - self::edges($slip->look) - $beside);
    }

    private static function height(Look $look, float $content): float
    {
        return 2 * ceil(($content + 2 * $look->box->padY) / 2);
    }
}
