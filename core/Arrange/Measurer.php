<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

use ChalkTree\Look\LevelLook;
use ChalkTree\Look\Looks;
use ChalkTree\Map\Topic;
use ChalkTree\Text\Line;
use ChalkTree\Text\Run;
use ChalkTree\Text\Wrapper;

/** Gives a slip its wrapped lines and the size of its box. Sizes are whole and even, so that middles are whole too. */
final class Measurer
{
    /** A slip without text is still wide enough to see and to hit. */
    private const NARROWEST = 56;

    public function __construct(private readonly Wrapper $wrapper, private readonly Looks $looks)
    {
    }

    public function measure(Slip $slip): void
    {
        $topic = $slip->topic;
        $look = $this->looks->level($slip->level);
        $around = 2 * $look->padX + $look->spine + ($topic->note === '' ? 0 : Looks::NOTE_SIGN);
        $limit = $topic->width === null ? $look->widest : max(24, $topic->width - $around);
        $slip->lines = $this->wrapper->wrap($topic->title, $look->size, $limit, $look->bold ? Run::BOLD : 0);
        $slip->captionLines = $topic->caption === '' ? [] : $this->caption($topic, $limit);
        $widest = 0.0;
        foreach ($slip->lines as $line) {
            $widest = max($widest, $line->width);
        }
        foreach ($slip->captionLines as $line) {
            $widest = max($widest, $line->width);
        }
        $slip->w = $topic->width === null
            ? max(self::NARROWEST, 2 * ceil(($widest + $around) / 2))
            : max(2 * ceil($topic->width / 2), 2 * ceil(($widest + $around) / 2));
        $slip->h = self::height($look, count($slip->lines), count($slip->captionLines));
    }

    /** Whether two slips would measure the same. */
    public static function same(Slip $a, Slip $b): bool
    {
        $s = $a->topic;
        $t = $b->topic;

        return $s === $t && $a->level === $b->level || $s->title === $t->title && $s->caption === $t->caption
            && $s->width === $t->width && ($s->note === '') === ($t->note === '') && $a->level === $b->level;
    }

    /** The baseline of a title's line, from the top of the box. */
    public static function baseline(LevelLook $look, int $line): float
    {
        return round($look->padY + $line * $look->line + ($look->line - 1.24 * $look->size) / 2 + 0.95 * $look->size, 2);
    }

    /** The baseline of a caption's line, from the top of the box. */
    public static function captionBaseline(LevelLook $look, int $titleLines, int $line): float
    {
        return round($look->padY + $titleLines * $look->line + $line * Looks::CAPTION_LINE + 13, 2);
    }

    /** @return list<Line> */
    private function caption(Topic $topic, float $limit): array
    {
        return $this->wrapper->wrapPlain($topic->caption, Looks::CAPTION_SIZE, $limit);
    }

    private static function height(LevelLook $look, int $lines, int $captionLines): float
    {
        $text = $lines * $look->line + $captionLines * Looks::CAPTION_LINE + ($captionLines > 0 ? 3 : 0);

        return 2 * ceil(($text + 2 * $look->padY) / 2);
    }
}
