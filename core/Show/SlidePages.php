<?php

declare(strict_types=1);

namespace ChalkTree\Show;

use ChalkTree\Draw\PartsWriter;
use ChalkTree\Text\Advances;
use ChalkTree\Text\Run;
use ChalkTree\Text\Wrapper;

/**
 * Slides on sheets of A4, as SVG in millimetres: one with what is said below it, or several a page.
 *
 * @phpstan-type Set array{sheet: string, title: string, lines: list<array{text: string, indent: int, bold: bool}>, seconds: int}
 */
final class SlidePages
{
    /** How many slides a page can have, with columns, rows, and whether it lies across; three leave room to write beside them. */
    public const LAYOUTS = [2 => [1, 2, false], 3 => [1, 3, false], 4 => [2, 2, true], 6 => [2, 3, false], 9 => [3, 3, true]];

    private const SHORT = 210.0;

    private const LONG = 297.0;

    private const MARGIN = 14.0;

    private const GAP = 8.0;

    /** Millimetres of type, and from line to line. */
    private const TYPE = 3.9;

    private const LINE = 5.5;

    private const SMALL = 3.1;

    /** How far each level of a list is set in. */
    private const INDENT = 5.0;

    private const SOFT = '#5b6870';

    private const INK = '#22303a';

    private readonly Wrapper $wrapper;

    /** @param  string  $style  rules for what is drawn */
    public function __construct(private readonly string $style, private readonly string $title)
    {
        $this->wrapper = new Wrapper(new Advances);
    }

    /**
     * @param  list<Set>  $slides
     * @param  key-of<self::LAYOUTS>  $per
     * @return list<string>
     */
    public function several(array $slides, int $per): array
    {
        [$columns, $rows, $isAcross] = self::LAYOUTS[$per];
        [$w, $h] = $isAcross ? [self::LONG, self::SHORT] : [self::SHORT, self::LONG];
        $hasLines = $per === 3;
        $room = [($w - 2 * self::MARGIN - ($columns - 1) * self::GAP) / ($hasLines ? 2 : $columns), ($h - 2 * self::MARGIN - 6 - ($rows - 1) * self::GAP) / $rows - self::SMALL * 1.8];
        $wide = min($room[0] - ($hasLines ? self::GAP / 2 : 0), $room[1] * SlideSheet::WIDE / SlideSheet::HIGH);
        $high = $wide * SlideSheet::HIGH / SlideSheet::WIDE;
        $pages = [];
        $chunks = array_chunk($slides, $per, true);
        foreach ($chunks as $n => $chunk) {
            $drawn = '';
            foreach (array_values($chunk) as $i => $slide) {
                $x = self::MARGIN + ($i % $columns) * ($room[0] + self::GAP) + ($hasLines ? 0 : ($room[0] - $wide) / 2);
                $y = self::MARGIN + intdiv($i, $columns) * ($room[1] + self::SMALL * 1.8 + self::GAP);
                $number = $n * $per + $i + 1;
                $drawn .= self::sheet($slide['sheet'], $x, $y, $wide, $high).self::text("{$number}", $x, $y + $high + self::SMALL * 1.5, self::SMALL, self::SOFT);
                for ($line = 1; $hasLines && $line * 9 < $room[1]; $line++) {
                    $drawn .= '<path fill="none" stroke="#c9c2b4" stroke-width="0.25" d="M'.round($x + $wide + self::GAP, 2).' '.round($y + $line * 9, 2).'H'.($w - self::MARGIN).'"/>';
                }
            }
            $pages[] = $this->page($w, $h, $drawn, $n + 1, count($chunks));
        }

        return $pages;
    }

    /**
     * A slide a page with what is said; where that is long, it goes on on further pages.
     *
     * @param  list<Set>  $slides
     * @return list<string>
     */
    public function noted(array $slides): array
    {
        $wide = self::SHORT - 2 * self::MARGIN;
        $high = $wide * SlideSheet::HIGH / SlideSheet::WIDE;
        $all = [];
        foreach ($slides as $i => $slide) {
            $head = self::text(($i + 1).($slide['title'] === '' ? '' : "  {$this->short($slide['title'], $wide - 40)}"), self::MARGIN, self::MARGIN + $high + 8, self::TYPE, self::INK, true)
                .self::text(self::time($slide['seconds']), self::SHORT - self::MARGIN, self::MARGIN + $high + 8, self::SMALL, self::SOFT, anchor: 'end');
            $drawn = self::sheet($slide['sheet'], self::MARGIN, self::MARGIN, $wide, $high).$head;
            $y = self::MARGIN + $high + 8 + 1.6 * self::LINE;
            foreach ($this->set($slide['lines'], $wide) as [$text, $x, $isBold]) {
                if ($y > self::LONG - self::MARGIN - 8) {
                    $all[] = $drawn;
                    $drawn = self::text(($i + 1).', continued', self::MARGIN, self::MARGIN + self::TYPE, self::SMALL, self::SOFT);
                    $y = self::MARGIN + self::TYPE + 1.6 * self::LINE;
                }
                $drawn .= self::text($text, self::MARGIN + $x, $y, self::TYPE, self::INK, $isBold);
                $y += self::LINE;
            }
            $all[] = $drawn;
        }

        return array_map(fn (string $drawn, int $i): string => $this->page(self::SHORT, self::LONG, $drawn, $i + 1, count($all)), $all, array_keys($all));
    }

    /** Minutes and seconds. */
    public static function time(int $seconds): string
    {
        return intdiv($seconds, 60).':'.str_pad((string) ($seconds % 60), 2, '0', STR_PAD_LEFT);
    }

    /**
     * @param  list<array{text: string, indent: int, bold: bool}>  $lines
     * @return list<array{string, float, bool}> each as wide as there is room, with how far it is set in
     */
    private function set(array $lines, float $wide): array
    {
        $set = [];
        foreach ($lines as $line) {
            $in = max(0, $line['indent'] - 1) * self::INDENT;
            $base = $line['bold'] ? Run::BOLD : 0;
            foreach ($this->wrapper->wrapPlain($line['text'], self::TYPE, $wide - $in - self::INDENT, $base) as $i => $part) {
                $set[] = [SlideSheet::said($part), $in + ($i > 0 && $line['indent'] > 0 ? self::INDENT * 0.6 : 0.0), $line['bold']];
            }
        }

        return $set;
    }

    private static function sheet(string $sheet, float $x, float $y, float $w, float $h): string
    {
        [$x, $y, $w, $h] = array_map(fn (float $one): float => round($one, 3), [$x, $y, $w, $h]);

        return "<svg x=\"{$x}\" y=\"{$y}\" width=\"{$w}\" height=\"{$h}\" viewBox=\"0 0 ".SlideSheet::WIDE.' '.SlideSheet::HIGH."\" overflow=\"hidden\">{$sheet}</svg>"
            ."<rect x=\"{$x}\" y=\"{$y}\" width=\"{$w}\" height=\"{$h}\" fill=\"none\" stroke=\"#c9c2b4\" stroke-width=\"0.3\"/>";
    }

    private function page(float $w, float $h, string $drawn, int $number, int $of): string
    {
        $y = $h - self::MARGIN + 3;
        $foot = self::text($this->short($this->title, $w / 2), self::MARGIN, $y, self::SMALL, self::SOFT).($of > 1 ? self::text("{$number} / {$of}", $w - self::MARGIN, $y, self::SMALL, self::SOFT, anchor: 'end') : '');

        return "<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"{$w}mm\" height=\"{$h}mm\" viewBox=\"0 0 {$w} {$h}\"><style>{$this->style}</style><rect width=\"{$w}\" height=\"{$h}\" fill=\"#ffffff\"/>{$drawn}{$foot}</svg>\n";
    }

    /** So much of the words as there is room for. */
    private function short(string $words, float $room): string
    {
        $advances = new Advances;
        while ($advances->width($words, Run::BOLD) * self::TYPE / 1000 > $room && mb_strlen($words) > 2) {
            $words = rtrim(mb_substr($words, 0, -2)).'…';
        }

        return $words;
    }

    private static function text(string $text, float $x, float $y, float $size, string $colour, bool $isBold = false, string $anchor = 'start'): string
    {
        return '<text xml:space="preserve" x="'.round($x, 2).'" y="'.round($y, 2)."\" font-size=\"{$size}\" text-anchor=\"{$anchor}\" fill=\"{$colour}\"".($isBold ? ' font-weight="700"' : '').'>'.PartsWriter::text($text).'</text>';
    }
}
