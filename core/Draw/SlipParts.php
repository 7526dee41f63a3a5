<?php

declare(strict_types=1);

namespace ChalkTree\Draw;

use ChalkTree\Arrange\Growth;
use ChalkTree\Arrange\Measurer;
use ChalkTree\Arrange\Slip;
use ChalkTree\Look\BoxLook;
use ChalkTree\Text\Advances;
use ChalkTree\Text\Run;
use ChalkTree\Text\Wrapper;

/**
 * Of what a slip is drawn: its paper, the spine along the edge that faces the parent, its text, the sign of a note and
 * the tally of what is folded, from below to above. Places are from the slip's top left corner.
 */
final readonly class SlipParts
{
    private const TALLY_SIZE = 14.0;

    private Measurer $measurer;

    private Wrapper $wrapper;

    private Advances $advances;

    public function __construct()
    {
        $this->advances = new Advances;
        $this->wrapper = new Wrapper($this->advances);
        $this->measurer = new Measurer($this->wrapper);
    }

    /** @return list<Primitive> */
    public function of(Slip $slip): array
    {
        $look = $slip->look;
        $parts = [$this->paper($slip)];
        if ($look->box->spine > 0) {
            $parts[] = Primitive::path('spine', self::spine($slip), "chalk:{$slip->chalk}");
        }
        $face = $this->measurer->placed($slip);
        foreach ($face->title as $i => $line) {
            $y = round($face->titleArea->y + Measurer::baseline($look, $i), 2);
            array_push($parts, ...TextLine::of('title', $line, $face->titleArea->begin($line->width, $look->type->isCentred), $y, $look->type->size, $look->type->ink, $look));
        }
        foreach ($face->parts as [$part, $area]) {
            array_push($parts, ...$part->draw($area, $look, $this->wrapper));
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
