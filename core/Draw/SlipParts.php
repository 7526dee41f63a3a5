<?php

declare(strict_types=1);

namespace ChalkTree\Draw;

use ChalkTree\Arrange\Growth;
use ChalkTree\Arrange\Measurer;
use ChalkTree\Arrange\Slip;
use ChalkTree\Look\BoxLook;
use ChalkTree\Look\Looks;
use ChalkTree\Text\Advances;
use ChalkTree\Text\Line;
use ChalkTree\Text\Run;
use ChalkTree\Text\Wrapper;

/**
 * Of what a slip is drawn: its paper, the spine along the edge that faces the parent, its text, the sign of a note and
 * the tally of what is folded, from below to above. Places are from the slip's top left corner.
 *
 * @phpstan-import-type Span from Primitive
 */
final readonly class SlipParts
{
    private const TALLY_SIZE = 14.0;

    private Measurer $measurer;

    private Advances $advances;

    public function __construct()
    {
        $this->advances = new Advances;
        $this->measurer = new Measurer(new Wrapper($this->advances));
    }

    /** @return list<Primitive> */
    public function of(Slip $slip): array
    {
        $look = $slip->look;
        $soft = $look->type->softInk;
        $parts = [$this->paper($slip)];
        if ($look->box->spine > 0) {
            $parts[] = Primitive::path('spine', self::spine($slip), "chalk:{$slip->chalk}");
        }
        $titleLines = $this->measurer->lines($slip);
        $captionLines = $this->measurer->captionLines($slip);
        $widest = 0.0;
        foreach ([...$titleLines, ...$captionLines] as $line) {
            $widest = max($widest, $line->width);
        }
        foreach ($titleLines as $i => $line) {
            array_push($parts, ...$this->line('title', $slip, $line, $widest, Measurer::baseline($look, $i), $look->type->size, $look->type->ink));
        }
        foreach ($captionLines as $i => $line) {
            array_push($parts, ...$this->line('caption', $slip, $line, $widest, Measurer::captionBaseline($look, count($titleLines), $i), Looks::CAPTION_SIZE, $soft));
        }
        if ($slip->topic->note !== '') {
            $parts[] = Primitive::path('note-sign', self::noteSign($slip), '', $soft, 1.6);
        }
        if ($slip->hidden > 0) {
            $parts[] = $this->tally($slip)->touching('fold');
        }

        return $parts;
    }

    private function paper(Slip $slip): Primitive
    {
        [$w, $h, $r] = [$slip->w, $slip->h, $slip->look->box->corner];
        [$fill, $stroke] = [$slip->look->box->fill, $slip->look->box->edge];
        $fill = $fill === BoxLook::TINT ? "tint:{$slip->chalk}" : $fill;
        $d = $fill === '' ? "M0 0H{$w}V{$h}H0Z"
            : "M{$r} 0H".($w - $r)."A{$r} {$r} 0 0 1 {$w} {$r}V".($h - $r)."A{$r} {$r} 0 0 1 ".($w - $r)." {$h}H{$r}A{$r} {$r} 0 0 1 0 ".($h - $r)."V{$r}A{$r} {$r} 0 0 1 {$r} 0Z";

        return Primitive::path('paper', $d, $fill, $stroke, $stroke === '' ? 0.0 : 1.0);
    }

    /** The bar along the edge that faces the parent, round where the slip is. */
    private static function spine(Slip $slip): string
    {
        [$r, $s, $h, $w] = [$slip->look->box->corner, $slip->look->box->spine, $slip->h, $slip->w];
        $inner = $h - 2 * $r;

        return match ($slip->given->enters) {
            Growth::Right => "M{$r} 0A{$r} {$r} 0 0 0 0 {$r}v{$inner}A{$r} {$r} 0 0 0 {$r} {$h}H".max($s, $r)."L{$s} ".($h - $r)."V{$r}L".max($s, $r).' 0Z',
            Growth::Left => 'M'.($w - $r)." 0A{$r} {$r} 0 0 1 {$w} {$r}v{$inner}A{$r} {$r} 0 0 1 ".($w - $r)." {$h}L".($w - $s).' '.($h - $r)."V{$r}Z",
            Growth::Down => "M0 {$r}A{$r} {$r} 0 0 1 {$r} 0H".($w - $r)."A{$r} {$r} 0 0 1 {$w} {$r}L".($w - $r)." {$s}H{$r}Z",
        };
    }

    /** @return list<Primitive> the text, above the grounds of what is code in it */
    private function line(string $part, Slip $slip, Line $line, float $widest, float $y, float $size, string $ink): array
    {
        $begin = $this->begin($slip, $line->width, $widest);
        $isOnPlate = $slip->look->box->fill === 'plate';
        $grounds = [];
        $spans = [];
        foreach ($line->parts as $run) {
            $span = [
                'x' => (int) (($begin + $run['x']) * 100) / 100,
                'w' => (int) ($run['w'] * 100 + 1) / 100,
                'text' => $run['run']->text,
                'marks' => $run['run']->marks,
            ];
            if ($run['run']->href !== null) {
                $span['href'] = $run['run']->href;
                $span += $isOnPlate ? [] : ['fill' => 'link'];
            }
            // Where a fallback font will be used its width is an estimate, which whoever draws it may hold it to.
            if (preg_match('/[^\x00-\x{17f}\x{2013}-\x{2026}]/u', $run['run']->text) === 1) {
                $span['guess'] = true;
            }
            if ($run['run']->marks & Run::CODE && ! $isOnPlate) {
                [$x, $top, $w, $h] = [$span['x'] - 2, $y - $size, $span['w'] + 4, $size * 1.3];
                $grounds[] = Primitive::path('code', "M{$x} {$top}h{$w}v{$h}h-{$w}Z", 'code');
            }
            $spans[] = $span;
        }

        return $spans === [] ? $grounds : [...$grounds, Primitive::line($part, $y, $size, $spans, $ink)];
    }

    /** Where a line begins: in the middle on the root's plate, else ranged left, in a block beside the spine. */
    private function begin(Slip $slip, float $width, float $widest): float
    {
        $box = $slip->look->box;
        $sign = $slip->topic->note === '' ? 0 : Looks::NOTE_SIGN;
        if ($slip->look->type->isCentred) {
            return ($slip->w - $sign - $width) / 2;
        }
        if ($slip->given->enters !== Growth::Left) {
            return $box->padX + $box->spine;
        }

        return max((float) $box->padX, $slip->w - $box->padX - $box->spine - $sign - $widest);
    }

    private static function noteSign(Slip $slip): string
    {
        $box = $slip->look->box;
        $x = $slip->w - $box->padX - 11 - ($slip->given->enters === Growth::Left ? $box->spine : 0);
        $y = $box->padY + $slip->look->type->line / 2 - 5;

        return "M{$x} {$y}h11m-11 5h11m-11 5h6";
    }

    /** A stroke for each hidden topic up to five, then their number. */
    private function tally(Slip $slip): Primitive
    {
        $opens = $slip->given->arrangement->opens();
        $middle = $opens === Growth::Down ? $slip->h + 15 : $slip->h / 2;
        if ($slip->hidden > 5) {
            $w = $this->advances->width((string) $slip->hidden, Run::BOLD) * self::TALLY_SIZE / 1000;
            $x = match ($opens) {
                Growth::Right => $slip->w + 9,
                Growth::Left => -9 - $w,
                Growth::Down => ($slip->w - $w) / 2,
            };

            return Primitive::text('tally-strokes', (string) $slip->hidden, round($x, 2), $middle + 5, round($w, 2), self::TALLY_SIZE, marks: Run::BOLD);
        }
        $x = match ($opens) {
            Growth::Right => $slip->w + 9,
            Growth::Left => -9 - 4 * 5,
            Growth::Down => $slip->w / 2 - 10,
        };
        $strokes = '';
        for ($i = 0; $i < min(4, $slip->hidden); $i++) {
            $strokes .= 'M'.($x + 5 * $i).' '.($middle - 7 + $i % 2).'l'.($i % 2 ? 0.8 : -0.6).' 13';
        }

        return Primitive::path('tally-strokes', $strokes.($slip->hidden === 5 ? 'M'.($x - 3).' '.($middle + 5).'l21 -10' : ''), '', "chalk:{$slip->chalk}", 2);
    }
}
