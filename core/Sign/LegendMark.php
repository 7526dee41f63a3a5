<?php

declare(strict_types=1);

namespace ChalkTree\Sign;

use ChalkTree\Arrange\Scene;
use ChalkTree\Draw\Primitive;
use ChalkTree\Draw\SceneMark;
use ChalkTree\Draw\TextLine;
use ChalkTree\Look\Look;
use ChalkTree\Text\Advances;
use ChalkTree\Text\Line;
use ChalkTree\Text\Run;
use ChalkTree\Text\Wrapper;

/** The legend as it stands on the board: below everything at the left, or where it was put. */
final class LegendMark
{
    /** The type size for which the lengths below are, pixels. */
    private const SIZE = 13.0;

    private const LINE = 22.0;

    /** From line to line within one meaning. */
    private const CLOSE = 18.0;

    private const PAD = 14.0;

    /** The room of the signs, before the words. */
    private const SIGNS = 30.0;

    private const WIDEST = 260.0;

    /** From what it stands below. */
    private const AWAY = 48.0;

    private readonly Advances $advances;

    private readonly Wrapper $wrapper;

    /** By how much everything is larger than that. */
    private readonly float $scale;

    private readonly float $size;

    /** @param  Look  $look  that topics have, whose type it is set in */
    public function __construct(private readonly Look $look)
    {
        $this->advances = new Advances;
        $this->wrapper = new Wrapper($this->advances);
        $this->size = max(self::SIZE, round($look->type->size * 0.95, 1));
        $this->scale = $this->size / self::SIZE;
    }

    /** @param  Scene  $scene  in which everything but this has its place */
    public function draw(LegendPlace $place, Legend $legend, Scene $scene): SceneMark
    {
        $rows = [];
        [$w, $h] = [$this->headWidth(), self::LINE * $this->scale];
        foreach ($legend->lines as $line) {
            $text = $line->words().($line->count > 0 ? "  ×\u{2009}{$line->count}" : '');
            $lines = $this->wrapper->wrapPlain($text, $this->size, self::WIDEST * $this->scale, 0);
            $high = (self::LINE + (count($lines) - 1) * self::CLOSE) * $this->scale;
            $rows[] = [$line, $lines, round($high, 2)];
            $w = max($w, self::SIGNS * $this->scale + max(array_map(fn (Line $one): float => $one->width, $lines)));
            $h += $high;
        }
        [$w, $h] = [ceil($w + 2 * self::PAD * $this->scale), ceil($h + 1.6 * self::PAD * $this->scale)];
        $bounds = $scene->bounds();
        $x = (float) ($place->number('x') ?? round($bounds['x']));
        $y = (float) ($place->number('y') ?? round($bounds['y'] + $bounds['h'] + self::AWAY));

        return new SceneMark($place->id, LegendPlace::type(), $this->parts($rows, $x, $y, $w, $h), [$x, $y, $w, $h]);
    }

    private function headWidth(): float
    {
        return round($this->advances->width('Legend', Run::BOLD) * $this->size / 1000, 2);
    }

    /**
     * @param  list<array{LegendLine, non-empty-list<Line>, float}>  $rows  with the height of each
     * @return list<Primitive>
     */
    private function parts(array $rows, float $x, float $y, float $w, float $h): array
    {
        $pad = self::PAD * $this->scale;
        $parts = [
            Primitive::path('legend', "M{$x} {$y}h{$w}v{$h}h-{$w}Z", 'slip', 'edge', 1.0),
            Primitive::text('legend', 'Legend', round($x + $pad, 2), round($y + $pad + 10 * $this->scale, 2), $this->headWidth(), $this->size, 'soft', Run::BOLD),
        ];
        $at = round($y + $pad + (self::LINE - 4) * $this->scale, 2);
        foreach ($rows as [$line, $lines, $high]) {
            [$from, $over] = [$x + 4, $w - 8];
            // The whole line can be touched.
            $parts[] = Primitive::path('line', "M{$from} {$at}h{$over}v{$high}h-{$over}Z", '', '')->touching($line->sign);
            foreach (Sign::draw($line->sign, $x + $pad, $at + 2 * $this->scale, $this->advances, $this->scale) as $part) {
                $parts[] = $part->touching($line->sign);
            }
            foreach ($lines as $i => $words) {
                $base = round($at + (15 + $i * self::CLOSE) * $this->scale, 2);
                foreach (TextLine::of('words', $words, $x + $pad + self::SIGNS * $this->scale, $base, $this->size, 'ink', $this->look) as $part) {
                    $parts[] = $part->touching($line->sign);
                }
            }
            $at = round($at + $high, 2);
        }

        return $parts;
    }
}
