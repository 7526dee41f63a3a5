<?php

declare(strict_types=1);

namespace ChalkTree\Story;

use ChalkTree\Draw\Primitive;
use ChalkTree\Text\Advances;
use ChalkTree\Text\Wrapper;

/** A grid or a chart of a story as a picture, from 0, 0 to its width and height. */
final class StoryDrawing
{
    private const SIZE = 13.0;

    private const SMALL = 11.0;

    private const LINE = 14.0;

    /** Around everything. */
    private const EDGE = 16.0;

    private const ROW = 34.0;

    private const NAMES = 190.0;

    private const KNOT = 11.0;

    /** Columns that are as wide as their titles would have them; more are narrow. */
    private const FEW = 16;

    private const HIGH = 240.0;

    private const MOST_TENSION = 5;

    /** Lines of the title of a column. */
    private const LINES = 4;

    /** The chalks of rows in turn. */
    private const CHALKS = ['tide', 'ember', 'kelp', 'heather', 'marigold', 'mussel', 'coral', 'dusk'];

    /** @var list<Primitive> */
    public array $parts = [];

    public float $w = 0.0;

    public float $h = 0.0;

    private readonly Wrapper $wrapper;

    private function __construct(private readonly Advances $advances)
    {
        $this->wrapper = new Wrapper($advances);
    }

    /** A thread for each row, with a knot wherever it is there, dashed where it is not between two. */
    public static function ofGrid(ThreadGrid $grid): self
    {
        $drawing = new self(new Advances);
        $wide = count($grid->columns) > self::FEW ? 58.0 : 92.0;
        $left = self::EDGE + self::NAMES;
        $top = $drawing->heads(array_map(fn (array $column): string => $column['title'] === '' ? 'Untitled' : $column['title'], $grid->columns), $left, $wide);
        foreach ($grid->rows() as $n => $row) {
            $drawing->thread($row, $left, $wide, $top + ($n + 0.5) * self::ROW, self::CHALKS[$n % count(self::CHALKS)]);
        }
        [$drawing->w, $drawing->h] = [$left + $wide * count($grid->columns) + self::EDGE, $top + self::ROW * count($grid->rows()) + self::EDGE];

        return $drawing;
    }

    /** Words as columns, tension as a line above them. What is touched is "scene:" and its topic. */
    public static function ofShape(StoryShape $shape): self
    {
        $drawing = new self(new Advances);
        $count = max(1, count($shape->scenes));
        $wide = max(14.0, min(56.0, floor(1100 / $count)));
        [$left, $top] = [self::EDGE + 46, self::EDGE + 24];
        $bottom = $top + self::HIGH;
        $most = max(1, ...array_column($shape->scenes, 'words'), ...[0]);
        $drawing->text('words a scene', self::EDGE, self::EDGE + 10, self::SMALL, 'text:tide');
        foreach ([1.0, 0.5] as $part) {
            $y = $bottom - self::HIGH * $part;
            $drawing->parts[] = Primitive::path('line', "M{$left} {$y}H".($left + $wide * $count), stroke: 'edge', thick: 1.0);
            $drawing->text(number_format($most * $part), self::EDGE, $y + 4, self::SMALL, 'soft');
        }
        $line = '';
        $points = [];
        foreach ($shape->scenes as $n => $scene) {
            $high = round(self::HIGH * $scene['words'] / $most, 2);
            [$x, $bar] = [$left + $wide * $n, max(3.0, $wide - 6)];
            $drawing->parts[] = Primitive::path('bar', 'M'.($x + 3)." {$bottom}v-{$high}h{$bar}v{$high}Z", 'tint:tide', 'chalk:tide', 1.2)->touching("scene:{$scene['topic']}");
            if ($scene['tension'] !== null) {
                $y = round($bottom - self::HIGH * ($scene['tension'] - 0.5) / self::MOST_TENSION, 2);
                $middle = $x + $wide / 2;
                $line .= ($line === '' ? 'M' : 'L')."{$middle} {$y}";
                $points[] = Primitive::path('point', 'M'.($middle - 4)." {$y}a4 4 0 1 0 8 0a4 4 0 1 0 -8 0Z", 'slip', 'chalk:ember', 2.2)->touching("scene:{$scene['topic']}");
            }
        }
        if ($points !== []) {
            $drawing->parts[] = Primitive::path('tension', $line, stroke: 'chalk:ember', thick: 2.6);
            array_push($drawing->parts, ...$points);
            $drawing->text('tension, 1 to 5', self::EDGE + 120, self::EDGE + 10, self::SMALL, 'text:ember');
        }
        $drawing->parts[] = Primitive::path('ground', "M{$left} {$bottom}H".($left + $wide * $count), stroke: 'ink', thick: 1.4);
        $drawing->chapters($shape, $left, $wide, $bottom);
        [$drawing->w, $drawing->h] = [$left + $wide * $count + self::EDGE, $bottom + self::LINE * (self::LINES + 1) + self::EDGE];

        return $drawing;
    }

    /** The titles of chapters below their scenes. */
    private function chapters(StoryShape $shape, float $left, float $wide, float $bottom): void
    {
        $from = 0;
        foreach ($shape->scenes as $n => $scene) {
            if ($scene['chapter'] === ($shape->scenes[$n + 1]['chapter'] ?? null) && isset($shape->scenes[$n + 1])) {
                continue;
            }
            [$x, $end] = [$left + $wide * $from, $left + $wide * ($n + 1)];
            $this->parts[] = Primitive::path('chapter', 'M'.($x + 3).' '.($bottom + 8).'H'.($end - 3), stroke: 'soft', thick: 1.4);
            foreach ($this->lines($scene['chapter'], $end - $x - 6, self::LINES) as $i => $text) {
                $this->text($text, $x + 3, $bottom + 12 + self::LINE * ($i + 1), self::SMALL, 'ink');
            }
            $from = $n + 1;
        }
    }

    /**
     * @param  list<string>  $titles
     * @return float where they end
     */
    private function heads(array $titles, float $left, float $wide): float
    {
        $all = array_map(fn (string $title): array => $this->lines($title, $wide - 8, self::LINES), $titles);
        $most = max(1, ...array_map(count(...), $all), ...[0]);
        foreach ($all as $n => $lines) {
            foreach ($lines as $i => $line) {
                $this->text($line, $left + $wide * $n + 4, self::EDGE + self::LINE * ($i + 1 + $most - count($lines)), self::SMALL, 'soft');
            }
        }

        return self::EDGE + self::LINE * $most + 10;
    }

    private function thread(ThreadRow $row, float $left, float $wide, float $y, string $chalk): void
    {
        $this->text($this->wrapper->cut($row->name, self::SIZE, self::NAMES - 12), self::EDGE, $y + 4.5, self::SIZE, 'ink');
        $before = null;
        $knots = [];
        foreach ($row->cells as $column => $cell) {
            $x = $left + $wide * ($column + 0.5);
            if ($before !== null) {
                $from = $left + $wide * ($before + 0.5);
                $this->parts[] = Primitive::path('thread', "M{$from} {$y}H{$x}", stroke: "chalk:{$chalk}", thick: $column - $before > 1 ? 1.6 : 3.0, dash: $column - $before > 1 ? '2 6' : '');
            }
            array_push($knots, ...$this->knot($cell, $x, $y, $chalk));
            $before = $column;
        }
        array_push($this->parts, ...$knots);
    }

    /** @return list<Primitive> a disc with how often it is named; an eye around it for whoever sees, a bar for where a thread ends */
    private function knot(ThreadCell $cell, float $x, float $y, string $chalk): array
    {
        $r = $cell->names > 0 || $cell->isSaid ? self::KNOT : self::KNOT - 4;
        $disc = fn (float $r): string => 'M'.($x - $r)." {$y}a{$r} {$r} 0 1 0 ".(2 * $r)." 0a{$r} {$r} 0 1 0 -".(2 * $r).' 0Z';
        $parts = [Primitive::path('knot', $disc($r), $cell->isSaid || $cell->sees ? "tint:{$chalk}" : 'slip', "chalk:{$chalk}", $cell->isSaid ? 2.4 : 1.4)];
        if ($cell->sees) {
            $parts[] = Primitive::path('eye', $disc($r + 4), '', "chalk:{$chalk}", 1.6);
        }
        if ($cell->ends) {
            $parts[] = Primitive::path('end', 'M'.($x + $r + 5).' '.($y - 9).'v18', '', "chalk:{$chalk}", 3.0);
        }
        if ($cell->names > 0) {
            $text = $cell->names > 99 ? '99+' : (string) $cell->names;
            $w = $this->advances->width($text, 0) * self::SMALL / 1000;
            $parts[] = Primitive::text('number', $text, round($x - $w / 2, 2), $y + 4, round($w, 2), self::SMALL);
        }

        return $parts;
    }

    /** @return list<string> a text in so many lines, the last one cut */
    private function lines(string $text, float $wide, int $most): array
    {
        $lines = array_map(fn ($line): string => trim(implode('', array_map(fn (array $part): string => $part['run']->text, $line->parts))), $this->wrapper->wrapPlain($text, self::SMALL, $wide));
        if (count($lines) > $most) {
            $lines = [...array_slice($lines, 0, $most - 1), $this->wrapper->cut(implode(' ', array_slice($lines, $most - 1)), self::SMALL, $wide)];
        }

        return $lines;
    }

    private function text(string $text, float $x, float $y, float $size, string $fill): void
    {
        if ($text !== '') {
            $this->parts[] = Primitive::text('text', $text, $x, $y, round($this->advances->width($text, 0) * $size / 1000, 2), $size, $fill);
        }
    }
}
