<?php

declare(strict_types=1);

namespace ChalkTree\Sign;

use ChalkTree\Arrange\Scene;
use ChalkTree\Draw\Primitive;
use ChalkTree\Draw\SceneMark;
use ChalkTree\Draw\TextLine;
use ChalkTree\Look\Look;
use ChalkTree\Look\Looks;
use ChalkTree\Text\Advances;
use ChalkTree\Text\Run;
use ChalkTree\Text\Wrapper;

/** The legend as it stands on the board: below everything at the left, or where it was put. */
final class LegendMark
{
    private const SIZE = 13.0;

    private const LINE = 22.0;

    private const PAD = 14.0;

    /** The room of the signs, before the words. */
    private const SIGNS = 30.0;

    private const WIDEST = 260.0;

    /** From what it stands below. */
    private const AWAY = 48.0;

    private readonly Advances $advances;

    private readonly Wrapper $wrapper;

    public function __construct()
    {
        $this->advances = new Advances;
        $this->wrapper = new Wrapper($this->advances);
    }

    /** @param  Scene  $scene  in which everything but this has its place */
    public function draw(LegendPlace $place, Legend $legend, Scene $scene): SceneMark
    {
        $look = Looks::standard()->level(2);
        $rows = [];
        [$w, $h] = [$this->advances->width('Legend', Run::BOLD) * self::SIZE / 1000, self::LINE];
        foreach ($legend->lines as $line) {
            $text = $line->words().($line->count > 0 ? "  ×\u{2009}{$line->count}" : '');
            $lines = $this->wrapper->wrapPlain($text, self::SIZE, self::WIDEST, 0);
            $rows[] = [$line, $lines];
            $w = max($w, self::SIGNS + max(array_map(fn ($one): float => $one->width, $lines)));
            $h += count($lines) * self::LINE - (count($lines) - 1) * 4;
        }
        [$w, $h] = [ceil($w) + 2 * self::PAD, $h + 2 * self::PAD - 6];
        $bounds = $scene->bounds();
        $x = (float) ($place->number('x') ?? round($bounds['x']));
        $y = (float) ($place->number('y') ?? round($bounds['y'] + $bounds['h'] + self::AWAY));

        return new SceneMark($place->id, LegendPlace::type(), $this->parts($rows, $x, $y, $w, $h, $look), [$x, $y, $w, $h]);
    }

    /**
     * @param  list<array{LegendLine, non-empty-list<\ChalkTree\Text\Line>}>  $rows
     * @return list<Primitive>
     */
    private function parts(array $rows, float $x, float $y, float $w, float $h, Look $look): array
    {
        $parts = [
            Primitive::path('legend', "M{$x} {$y}h{$w}v{$h}h-{$w}Z", 'slip', 'edge', 1.0),
            Primitive::text('legend', 'Legend', $x + self::PAD, $y + self::PAD + 10, round($this->advances->width('Legend', Run::BOLD) * self::SIZE / 1000, 2), self::SIZE, 'soft', Run::BOLD),
        ];
        $at = $y + self::PAD + self::LINE - 4;
        foreach ($rows as [$line, $lines]) {
            $high = count($lines) * self::LINE - (count($lines) - 1) * 4;
            [$from, $over] = [$x + 4, $w - 8];
            // The whole line can be touched.
            $parts[] = Primitive::path('line', "M{$from} {$at}h{$over}v{$high}h-{$over}Z", '', '')->touching($line->sign);
            foreach (Sign::draw($line->sign, $x + self::PAD, $at + 2, $this->advances) as $part) {
                $parts[] = $part->touching($line->sign);
            }
            foreach ($lines as $i => $words) {
                foreach (TextLine::of('words', $words, $x + self::PAD + self::SIGNS, round($at + 15 + $i * (self::LINE - 4), 2), self::SIZE, 'ink', $look) as $part) {
                    $parts[] = $part->touching($line->sign);
                }
            }
            $at += $high;
        }

        return $parts;
    }
}
