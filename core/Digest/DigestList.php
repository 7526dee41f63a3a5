<?php

declare(strict_types=1);

namespace ChalkTree\Digest;

use ChalkTree\Draw\Primitive;
use ChalkTree\Draw\TextLine;
use ChalkTree\Face\Area;
use ChalkTree\Face\FacePart;
use ChalkTree\Face\FacePlace;
use ChalkTree\Face\SmallText;
use ChalkTree\Look\Look;
use ChalkTree\Text\Line;
use ChalkTree\Text\Run;
use ChalkTree\Text\Wrapper;

/** The first lines of a digest below what it gathers: heads, and what stands under them with a box or a dot before it. */
final class DigestList implements FacePart
{
    private const PART = 'gathered';

    /** What keeps it from what is above it, and a head from the lines before it. */
    private const ROOM = 4.0;

    /** From the edge to the text of a line, for a type size of 1. */
    private const INDENT = 1.25;

    /** The side of the box of a to-do, for a type size of 1. */
    private const SIDE = 0.72;

    /** Letters of a line. */
    private const WIDEST = 90;

    /** @var list<non-empty-list<Line>> its rows as they were wrapped last: it is measured, placed and drawn at one width */
    private array $lines = [];

    private string $linesAt = '';

    /** @param  list<array{sort: 'head'|'open'|'done'|'told'|'more', text: string, touch: string}>  $rows */
    private function __construct(private readonly array $rows)
    {
    }

    /** Lines that stand on the board; how many more there are is told. */
    public const MOST = 12;

    /**
     * @param  list<DigestGroup>  $groups  at least the first lines of each
     * @param  int  $count  how many lines there are
     */
    public static function of(array $groups, int $count): self
    {
        $rows = [];
        $left = self::MOST;
        foreach ($groups as $group) {
            if ($left > 0 && $group->title !== '') {
                $rows[] = ['sort' => 'head', 'text' => mb_strimwidth($group->title, 0, self::WIDEST, '…'), 'touch' => ''];
            }
            foreach (array_slice($group->lines, 0, $left) as $line) {
                $text = implode("\u{A0}· ", [$line->title === '' ? 'Untitled' : $line->title, ...$line->told]);
                $rows[] = ['sort' => match (true) {
                    $line->progress === null => 'told',
                    default => $line->progress >= 100 ? 'done' : 'open',
                }, 'text' => mb_strimwidth($text, 0, self::WIDEST, '…'), 'touch' => "gathered:{$line->map}:{$line->topic}"];
            }
            $left = max(0, $left - count($group->lines));
        }
        $more = $count - self::MOST;
        if ($more > 0) {
            $rows[] = ['sort' => 'more', 'text' => "and {$more} more", 'touch' => ''];
        }

        return new self($rows);
    }

    public function place(Look $look): FacePlace
    {
        return FacePlace::Below;
    }

    public function key(): string
    {
        return self::PART.' '.hash('xxh128', serialize($this->rows));
    }

    public function size(float $widest, Look $look, Wrapper $wrapper): array
    {
        $wide = 0.0;
        $high = self::ROOM;
        foreach ($this->rows as $i => $row) {
            $lines = $this->lines($widest, $look, $wrapper)[$i];
            $wide = max($wide, self::indent($row['sort'], $look) + max(array_map(fn (Line $line): float => $line->width, $lines)));
            $high += $this->gap($i) + count($lines) * SmallText::LINE * $look->type->small;
        }

        return [$wide, $high];
    }

    public function draw(Area $area, Look $look, Wrapper $wrapper): array
    {
        $small = $look->type->small;
        $parts = [];
        $y = $area->y + self::ROOM;
        foreach ($this->rows as $i => $row) {
            $y += $this->gap($i);
            $lines = $this->lines($area->widest, $look, $wrapper)[$i];
            $high = count($lines) * SmallText::LINE * $small;
            $indent = self::indent($row['sort'], $look);
            // What is read from the right begins there, and its box with it.
            $begins = fn (Line $line): float => $line->isRightToLeft ? $area->x + $area->w - $indent - $line->width : $area->x + $indent;
            array_push($parts, ...$this->sign($row['sort'], $lines[0]->isRightToLeft ? $area->x + $area->w - $indent + 4 : $area->x, $y + (SmallText::FIRST - 0.36) * $small, $look));
            foreach ($lines as $n => $line) {
                array_push($parts, ...TextLine::of(self::PART, $line, $begins($line), round($y + ($n * SmallText::LINE + SmallText::FIRST) * $small, 2), $small, $row['sort'] === 'head' || $row['sort'] === 'open' ? $look->type->ink : $look->type->softInk, $look));
            }
            // Above the text, so that it is touched and not that.
            if ($row['touch'] !== '') {
                $parts[] = Primitive::path('gathered-room', 'M'.round($area->x, 2).' '.round($y, 2).'h'.round($area->w, 2).'v'.round($high, 2).'h-'.round($area->w, 2).'Z')->touching($row['touch']);
            }
            $y += $high;
        }

        return $parts;
    }

    /** A head stands a little below what is before it. */
    private function gap(int $row): float
    {
        return $this->rows[$row]['sort'] === 'head' && $row > 0 ? self::ROOM : 0.0;
    }

    private static function indent(string $sort, Look $look): float
    {
        return $sort === 'head' || $sort === 'more' ? 0.0 : self::INDENT * $look->type->small;
    }

    /**
     * A box, ticked where it is done; a dot for what is nothing to be done.
     *
     * @return list<Primitive>
     */
    private function sign(string $sort, float $x, float $middle, Look $look): array
    {
        $side = round(self::SIDE * $look->type->small, 2);
        $top = round($middle - $side / 2, 2);
        $box = Primitive::path('gathered-box', 'M'.round($x + 0.5, 2)." {$top}h{$side}v{$side}h-{$side}Z", '', $look->type->softInk, 1.2);
        $tick = 'M'.round($x + 0.5 + $side * 0.2, 2).' '.round($middle, 2).'l'.round($side * 0.25, 2).' '.round($side * 0.25, 2).'l'.round($side * 0.4, 2).' -'.round($side * 0.5, 2);
        $dot = 'M'.round($x + $side * 0.3, 2).' '.round($middle, 2).'h0.01';

        return match ($sort) {
            'open' => [$box],
            'done' => [$box, Primitive::path('gathered-box', $tick, '', $look->type->softInk, 1.4)],
            'told' => [Primitive::path('gathered-box', $dot, '', $look->type->softInk, 3.4)],
            default => [],
        };
    }

    /** @return list<non-empty-list<Line>> by row */
    private function lines(float $widest, Look $look, Wrapper $wrapper): array
    {
        $at = "{$widest} {$look->type->small} {$look->type->face->name}";
        if ($at !== $this->linesAt) {
            $this->linesAt = $at;
            $this->lines = array_map(fn (array $row): array => $wrapper->wrapPlain($row['text'], $look->type->small, $widest - self::indent($row['sort'], $look), self::cut($row['sort'], $look)), $this->rows);
        }

        return $this->lines;
    }

    private static function cut(string $sort, Look $look): int
    {
        return $look->type->face->cut() | ($sort === 'head' ? Run::BOLD : 0);
    }
}
