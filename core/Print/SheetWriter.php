<?php

declare(strict_types=1);

namespace ChalkTree\Print;

use ChalkTree\Arrange\Scene;
use ChalkTree\Draw\PartsWriter;
use ChalkTree\Draw\SvgWriter;
use ChalkTree\Text\Advances;

/** Writes the sheets of a print as SVG in millimetres: what of the drawing is on each, marks to cut by, and the line at the foot. */
final readonly class SheetWriter
{
    /** Millimetres: of the marks, and how far they stay from the drawing. */
    private const MARK = 5.0;

    private const AWAY = 1.0;

    /** Millimetres of type. */
    private const SMALL = 3.1;

    private const LARGE = 5.2;

    public function __construct(private PrintPlan $plan, private SvgWriter $writer, private PrintLine $line, private bool $hasMarks)
    {
    }

    public function sheet(Scene $scene, PrintSheet $sheet): string
    {
        [$w, $h] = $this->plan->room;
        $m = PrintPlan::MARGIN;
        $frame = $sheet->frame;
        $body = $this->writer->body($scene, $frame);

        return $this->page($this->inside([$m, $m, $w, $h], $frame, $body).($this->hasMarks && count($this->plan->sheets) > 1 ? $this->marks($sheet) : ''), $sheet->number);
    }

    /** The sheet before all others, which tells how they go together. */
    public function planOfSheets(Scene $scene, string $title): string
    {
        $plan = $this->plan;
        $m = PrintPlan::MARGIN;
        [$w, $h] = [$plan->room[0], $plan->room[1] - 3 * self::LARGE];
        $whole = $plan->whole();
        $scale = min($w / $whole['w'], $h / $whole['h']);
        [$x0, $y0] = [$m + ($w - $whole['w'] * $scale) / 2, $m + 3 * self::LARGE];
        $out = $this->text($title, $m, $m + self::LARGE, self::LARGE, 700)
            .$this->text($this->words(), $m, $m + self::LARGE + 1.9 * self::SMALL, self::SMALL)
            .$this->inside([$x0, $y0, $whole['w'] * $scale, $whole['h'] * $scale], $whole, $this->writer->body($scene, $whole));
        foreach ($plan->sheets as $sheet) {
            [$x, $y] = [$x0 + ($sheet->frame['x'] - $whole['x']) * $scale, $y0 + ($sheet->frame['y'] - $whole['y']) * $scale];
            // Dark on light, so that it is seen on every ground.
            foreach (['stroke="#fff" stroke-width="0.5"', 'stroke="#000" stroke-width="0.2" stroke-dasharray="1.2 0.8"'] as $stroke) {
                $out .= self::rect($x, $y, $sheet->frame['w'] * $scale, $sheet->frame['h'] * $scale, 'fill="none" '.$stroke);
            }
            [$w1, $h1] = [6.4 + 1.6 * strlen((string) $sheet->number), 7.4];
            $out .= self::rect($x + 1.5, $y + 1.5, $w1, $h1, 'rx="1" fill="#fff" stroke="#000" stroke-width="0.3"').$this->text((string) $sheet->number, $x + 1.5 + $w1 / 2, $y + 7, self::LARGE, 700, 'middle');
        }

        return $this->page($out, 0);
    }

    /** How the sheets go together, in a sentence. */
    private function words(): string
    {
        $plan = $this->plan;

        return count($plan->sheets)." sheets, {$plan->columns} across and {$plan->rows} down. ".($plan->overlap > 0
            ? sprintf('Cut each at its left and upper marks and glue it over the one before; %g mm are on both.', $plan->overlap) : 'Cut each at its marks and lay them side by side.');
    }

    private function page(string $content, int $number): string
    {
        [$w, $h] = $this->plan->sheet;
        $m = PrintPlan::MARGIN;
        $foot = '';
        if ($number > 0) {
            [$left, $middle, $right] = $this->line->words($number, count($this->plan->sheets));
            $y = $h - $m - 0.6;
            $foot = $this->text($left, $m, $y, self::SMALL, 700).$this->text(self::short($middle, 0.55 * ($w - 2 * $m)), $w / 2, $y, self::SMALL, 400, 'middle').$this->text($right, $w - $m, $y, self::SMALL, 400, 'end');
        }

        return "<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"{$w}mm\" height=\"{$h}mm\" viewBox=\"0 0 {$w} {$h}\">\n<style>{$this->writer->style()}</style>\n{$content}{$foot}</svg>\n";
    }

    /** So much of the words as there is room for. */
    private static function short(string $words, float $room): string
    {
        $advances = new Advances;
        while ($advances->width($words, 0) * self::SMALL / 1000 > $room && mb_strlen($words) > 2) {
            $words = rtrim(mb_substr($words, 0, -2)).'…';
        }

        return $words;
    }

    /**
     * @param  array{float, float, float, float}  $at
     * @param  array{x: float, y: float, w: float, h: float}  $frame
     */
    private function inside(array $at, array $frame, string $body): string
    {
        [$x, $y, $w, $h] = array_map(fn (float $one): float => round($one, 3), $at);

        return "<svg x=\"{$x}\" y=\"{$y}\" width=\"{$w}\" height=\"{$h}\" viewBox=\"{$frame['x']} {$frame['y']} {$frame['w']} {$frame['h']}\" preserveAspectRatio=\"none\" overflow=\"hidden\">\n{$body}</svg>\n";
    }

    /** Where it is cut, at the corners; where the next sheet begins, dashed. */
    private function marks(PrintSheet $sheet): string
    {
        $m = PrintPlan::MARGIN;
        [$w, $h] = $this->plan->room;
        [$left, $top, $right, $bottom] = [$m, $m, $m + $w, $m + $h];
        [$from, $to] = [self::AWAY, self::AWAY + self::MARK];
        $d = '';
        foreach ([[$left, -1], [$right, 1]] as [$x, $sx]) {
            foreach ([[$top, -1], [$bottom, 1]] as [$y, $sy]) {
                $d .= 'M'.($x + $sx * $from)." {$y}H".($x + $sx * $to)."M{$x} ".($y + $sy * $from).'V'.($y + $sy * $to);
            }
        }
        $next = '';
        if ($this->plan->overlap > 0 && $sheet->column < $this->plan->columns - 1) {
            $x = $right - $this->plan->overlap;
            $next .= "M{$x} ".($top - $from).'V'.($top - $to)."M{$x} ".($bottom + $from).'V'.($bottom + $to);
        }
        if ($this->plan->overlap > 0 && $sheet->row < $this->plan->rows - 1) {
            $y = $bottom - $this->plan->overlap;
            $next .= 'M'.($left - $from)." {$y}H".($left - $to).'M'.($right + $from)." {$y}H".($right + $to);
        }

        return "<path d=\"{$d}\" fill=\"none\" stroke=\"#000\" stroke-width=\"0.25\"/>".($next === '' ? '' : "<path d=\"{$next}\" fill=\"none\" stroke=\"#000\" stroke-width=\"0.25\" stroke-dasharray=\"0.9 0.7\"/>");
    }

    private function text(string $text, float $x, float $y, float $size, int $weight = 400, string $anchor = 'start'): string
    {
        return $text === '' ? '' : sprintf('<text x="%.2f" y="%.2f" font-size="%.2f" font-weight="%d" text-anchor="%s" fill="#222">%s</text>', $x, $y, $size, $weight, $anchor, PartsWriter::text($text));
    }

    private static function rect(float $x, float $y, float $w, float $h, string $with): string
    {
        return sprintf('<rect x="%.2f" y="%.2f" width="%.2f" height="%.2f" %s/>', $x, $y, $w, $h, $with);
    }
}
