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

/**
 * The first lines of a digest below what it gathers: heads, and what stands under them with a box or a dot before it.
 * Each is one line, whatever it says, so that the board stands still while things are ticked off.
 */
final class DigestList implements FacePart
{
    private const PART = 'gathered';

    /** What keeps it from what is above it, and a head from the lines before it. */
    private const ROOM = 4.0;

    /** From the edge to the text of a line, for a type size of 1. */
    private const INDENT = 1.25;

    /** The side of the box of a to-do, for a type size of 1. */
    private const SIDE = 0.72;

    /** Letters of a title, and of what is told behind it. */
    private const LONGEST = 90;

    /** How wide a line may be, for a type size of 1, where its box is as wide as what is in it. */
    private const WIDEST = 32.0;

    /** The width of all grows by such steps, so that what stands beside a digest does not move with every line that comes or goes. */
    private const STEP = 40.0;

    /** @var list<Line> its rows as they were set last: it is measured, placed and drawn at one width */
    private array $lines = [];

    private string $linesAt = '';

    /** @param  list<array{sort: 'head'|'open'|'done'|'told'|'more', text: string, told: string, touch: string}>  $rows */
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
                $rows[] = ['sort' => 'head', 'text' => self::short($group->title), 'told' => '', 'touch' => ''];
            }
            foreach (array_slice($group->lines, 0, $left) as $line) {
                $rows[] = ['sort' => match (true) {
                    $line->progress === null => 'told',
                    default => $line->progress >= 100 ? 'done' : 'open',
                }, 'text' => self::short($line->title === '' ? 'Untitled' : $line->title), 'told' => self::short(implode('', array_map(fn (string $told): string => " · {$told}", $line->told))), 'touch' => "gathered:{$line->map}:{$line->topic}"];
            }
            $left = max(0, $left - count($group->lines));
        }
        $more = $count - self::MOST;
        if ($more > 0) {
            $rows[] = ['sort' => 'more', 'text' => "and {$more} more", 'told' => '', 'touch' => ''];
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
            $wide = max($wide, self::indent($row['sort'], $look) + $this->lines($widest, $look, $wrapper)[$i]->width);
            $high += $this->gap($i) + SmallText::LINE * $look->type->small;
        }

        return [min(self::widest($widest, $look), ceil($wide / self::STEP) * self::STEP), $high];
    }

    public function draw(Area $area, Look $look, Wrapper $wrapper): array
    {
        $small = $look->type->small;
        $parts = [];
        $y = $area->y + self::ROOM;
        foreach ($this->rows as $i => $row) {
            $y += $this->gap($i);
            $line = $this->lines($area->widest, $look, $wrapper)[$i];
            $high = SmallText::LINE * $small;
            $indent = self::indent($row['sort'], $look);
            // What is read from the right begins there, and its box with it.
            $begin = $line->isRightToLeft ? $area->x + $area->w - $indent - $line->width : $area->x + $indent;
            array_push($parts, ...$this->sign($row['sort'], $line->isRightToLeft ? $area->x + $area->w - $indent + 4 : $area->x, $y + (SmallText::FIRST - 0.36) * $small, $look));
            array_push($parts, ...TextLine::of(self::PART, $line, $begin, round($y + SmallText::FIRST * $small, 2), $small, $row['sort'] === 'head' || $row['sort'] === 'open' ? $look->type->ink : $look->type->softInk, $look));
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

    /** @return list<Line> by row */
    private function lines(float $widest, Look $look, Wrapper $wrapper): array
    {
        $at = "{$widest} {$look->hash}";
        if ($at !== $this->linesAt) {
            $this->linesAt = $at;
            $this->lines = array_map(fn (array $row): Line => $this->line($row, self::widest($widest, $look), $look, $wrapper), $this->rows);
        }

        return $this->lines;
    }

    /** @param  array{sort: 'head'|'open'|'done'|'told'|'more', text: string, told: string, touch: string}  $row */
    private function line(array $row, float $widest, Look $look, Wrapper $wrapper): Line
    {
        [$size, $cut] = [$look->type->small, self::cut($row['sort'], $look)];
        $room = $widest - self::indent($row['sort'], $look);
        $line = $wrapper->plainLine($row['text'].$row['told'], $size, $room, $cut);
        if ($line !== null) {
            return $line;
        }
        // Where there is not enough room the title gives way, up to a half.
        $told = $wrapper->cut($row['told'], $size, $room / 2, $cut);
        $text = $wrapper->cut($row['text'], $size, $room - $wrapper->plainExtent($told, $size, INF, $cut)[0], $cut);

        return $wrapper->wrapPlain($text.$told, $size, INF, $cut)[0];
    }

    /** A box that is as wide as what is in it makes room for a line; any other is as wide as it is. */
    private static function widest(float $widest, Look $look): float
    {
        return $look->box->width === null && $look->box->shape()->isFull() ? max($widest, self::WIDEST * $look->type->small) : $widest;
    }

    private static function short(string $text): string
    {
        return mb_strimwidth($text, 0, self::LONGEST, '…');
    }

    private static function cut(string $sort, Look $look): int
    {
        return $look->type->face->cut() | ($sort === 'head' ? Run::BOLD : 0);
    }
}
