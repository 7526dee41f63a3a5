<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

use ChalkTree\Look\Look;
use ChalkTree\Look\Looks;
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
        $topic = $slip->topic;
        $look = $slip->look;
        $around = $this->around($slip, $look);
        if ($look->box->width === null && $topic->caption === '' && ($width = $this->wrapper->plainWidth($slip->text(), $look->type->size, $look->type->bold ? Run::BOLD : 0)) !== null && $width <= $look->box->widest) {
            // One plain line, as most topics are.
            $slip->w = 2 * ceil(max($width + $around, self::NARROWEST) / 2);
            $slip->h = self::height($look, 1, 0);

            return;
        }
        [$widest, $count] = $this->wrapper->extent($slip->text(), $look->type->size, $this->limit($slip, $look), $look->type->bold ? Run::BOLD : 0);
        $captionLines = $this->captionLines($slip);
        foreach ($captionLines as $line) {
            $widest = max($widest, $line->width);
        }
        $slip->w = 2 * ceil(max($widest + $around, $look->box->width ?? self::NARROWEST) / 2);
        $slip->h = self::height($look, $count, count($captionLines));
    }

    /**
     * The title as it is wrapped. Only what is drawn asks for it; a layout makes do with the extent.
     *
     * @return non-empty-list<Line>
     */
    public function lines(Slip $slip): array
    {
        $look = $slip->look;

        return $this->wrapper->wrap($slip->text(), $look->type->size, $this->limit($slip, $look), $look->type->bold ? Run::BOLD : 0);
    }

    /** @return list<Line> the caption as it is wrapped */
    public function captionLines(Slip $slip): array
    {
        $caption = $slip->topic->caption;

        return $caption === '' ? [] : $this->wrapper->wrapPlain($caption, Looks::CAPTION_SIZE, $this->limit($slip, $slip->look));
    }

    /** The baseline of a title's line, from the top of the box. */
    public static function baseline(Look $look, int $line): float
    {
        return round($look->box->padY + $line * $look->type->line + ($look->type->line - 1.24 * $look->type->size) / 2 + 0.95 * $look->type->size, 2);
    }

    /** The baseline of a caption's line, from the top of the box. */
    public static function captionBaseline(Look $look, int $titleLines, int $line): float
    {
        return round($look->box->padY + $titleLines * $look->type->line + $line * Looks::CAPTION_LINE + 13, 2);
    }

    /** What a box needs beside its text. */
    private function around(Slip $slip, Look $look): int
    {
        return 2 * $look->box->padX + $look->box->spine + ($slip->topic->note === '' ? 0 : Looks::NOTE_SIGN);
    }

    /** The width at which text wraps. */
    private function limit(Slip $slip, Look $look): float
    {
        return $look->box->width === null ? $look->box->widest : max(24, $look->box->width - $this->around($slip, $look));
    }

    private static function height(Look $look, int $lines, int $captionLines): float
    {
        $text = $lines * $look->type->line + $captionLines * Looks::CAPTION_LINE + ($captionLines > 0 ? 3 : 0);

        return 2 * ceil(($text + 2 * $look->box->padY) / 2);
    }
}
