<?php

declare(strict_types=1);

namespace ChalkTree\Draw;

use ChalkTree\Arrange\Connector;
use ChalkTree\Arrange\ConnectorWords;
use ChalkTree\Arrange\Growth;
use ChalkTree\Arrange\Measurer;
use ChalkTree\Arrange\Slip;
use ChalkTree\Face\FacePart;
use ChalkTree\Face\FillsSpine;
use ChalkTree\Face\PlacedFace;
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

    private RulerParts $rulers;

    public function __construct()
    {
        $this->advances = new Advances;
        $this->wrapper = new Wrapper($this->advances);
        $this->measurer = new Measurer($this->wrapper);
        $this->rulers = new RulerParts($this->advances);
    }

    /** What stands in its box, and where: to be given to all that ask of one slip. */
    public function face(Slip $slip): PlacedFace
    {
        return $this->measurer->placed($slip);
    }

    /** @return list<Primitive> */
    public function of(Slip $slip, ?PlacedFace $face = null): array
    {
        return [...$this->line($slip), ...$this->box($slip, $face)];
    }

    /** @return list<Primitive> the line along which its subtopics stand, where there is one */
    public function line(Slip $slip): array
    {
        return [...($slip->axis === [] ? [] : [self::axis($slip)]), ...($slip->ruler === null ? [] : $this->rulers->of($slip->ruler, $slip))];
    }

    /** @return list<Primitive> all of it but that */
    public function box(Slip $slip, ?PlacedFace $face = null): array
    {
        $look = $slip->look;
        $parts = [$this->paper($slip)];
        array_push($parts, ...self::spine($slip));
        $face ??= $this->face($slip);
        foreach ($face->title as $i => $line) {
            $y = round($face->titleArea->y + Measurer::baseline($look, $i), 2);
            array_push($parts, ...TextLine::of('title', $line, $face->titleArea->begin($line), $y, $look->type->size, self::paint($look->type->ink, $slip), $look));
        }
        foreach ($face->parts as [$part, $area]) {
            array_push($parts, ...$part->draw($area, $look, $this->wrapper));
        }
        array_push($parts, ...self::words($slip));
        if ($slip->hidden > 0) {
            $parts[] = $this->tally($slip)->touching('fold');
        }

        return $parts;
    }

    /** @return list<float> where the text stands in the box: x, y, width and height */
    public static function title(PlacedFace $face): array
    {
        $area = $face->titleArea;

        return array_map(fn (float $at): float => round($at, 2), [$area->x, $area->y, $area->w, $area->h]);
    }

    /** The line of chalk from its parent, or to the one before it in a column; null where there is none. */
    public static function connector(Slip $slip): ?Primitive
    {
        $path = Connector::path($slip);
        if ($path === '') {
            return null;
        }
        $look = $slip->look->connector;
        $paint = self::paint($look->paint, $slip);
        if ($slip->brace === null && ($look->dash === 'solid' || $slip->parent === null)) {
            return Primitive::path('connector', $path, $paint);
        }
        $thick = round($slip->brace === null ? ($look->thick + $look->thin) / 2 : max(2.0, min(3.0, $look->thick / 2)), 2);

        return Primitive::path('connector', $path, '', $paint, $thick, self::dashes($look->dash, $thick));
    }

    private function paper(Slip $slip): Primitive
    {
        $box = $slip->look->box;
        $outline = $box->shape()->outline($slip->w, $slip->h, $box->corner);
        [$fill, $stroke] = $outline === '' ? ['', ''] : [self::paint($box->fill, $slip), self::paint($box->edge, $slip)];
        // Where nothing is painted the box can still be hit.
        $d = $fill === '' && $stroke === '' ? "M0 0H{$slip->w}V{$slip->h}H0Z" : $outline;

        return Primitive::path('paper', $d, $fill, $stroke, $stroke === '' ? 0.0 : (float) $box->edgeThick, $stroke === '' ? '' : self::dashes($box->edgeDash, $box->edgeThick));
    }

    /**
     * The spine; where something says how far the topic is, as full as that, from below or from the left. What has no spine
     * is underlined so.
     *
     * @return list<Primitive>
     */
    private static function spine(Slip $slip): array
    {
        $box = $slip->look->box;
        $fills = array_values(array_filter($slip->parts, fn (FacePart $part): bool => $part instanceof FillsSpine))[0] ?? null;
        $whole = $box->spine > 0 ? $box->shape()->spine($slip->w, $slip->h, $box->corner, $box->spine, $slip->enters) : '';
        if (! $fills instanceof FillsSpine) {
            return $whole === '' ? [] : [Primitive::path('spine', $whole, "chalk:{$slip->chalk}")];
        }
        $parts = $whole === '' ? [] : [Primitive::path('spine', $whole, "tint:{$slip->chalk}")];
        $thick = (float) max(4, $box->spine);
        $isAcross = $whole !== '' && ($slip->enters === Growth::Left || $slip->enters === Growth::Right);
        $inset = max((float) $box->corner, $thick / 2 + 1);
        $long = ($isAcross ? $slip->h : $slip->w) - 2 * $inset;
        if ($fills->share() > 0.0 && $long > 0.0) {
            $by = round($long * $fills->share(), 2);
            $side = $thick / 2;
            $parts[] = Primitive::path('progress', match (true) {
                $isAcross => 'M'.($slip->enters === Growth::Left ? $slip->w - $side : $side).' '.($slip->h - $inset)."v-{$by}",
                $whole !== '' && $slip->enters === Growth::Down => "M{$inset} {$side}h{$by}",
                default => "M{$inset} ".($slip->h - $side - ($whole === '' ? 1 : 0))."h{$by}",
            }, '', $whole === '' ? "tint:{$slip->chalk}" : "chalk:{$slip->chalk}", $thick);
        }

        return $parts;
    }

    private static function axis(Slip $slip): Primitive
    {
        [$x0, $y0, $x1, $y1] = $slip->axis;

        return Primitive::path('axis', "M{$x0} {$y0}L{$x1} {$y1}", '', $slip->level === 0 ? 'plate' : "chalk:{$slip->chalk}", $slip->level === 0 ? 6.0 : 4.0);
    }

    /**
     * The phrase on the connector that leads to it.
     *
     * @return list<Primitive>
     */
    private static function words(Slip $slip): array
    {
        if ($slip->words === null) {
            return [];
        }
        [$x, $y, $w, $h] = array_map(fn (float $at): float => round($at, 1), $slip->words);
        $size = ConnectorWords::size($slip);
        $face = $slip->look->type->face;
        $lines = ConnectorWords::lines($slip);
        $first = $y + ($h - count($lines) * $size * ConnectorWords::LINE) / 2 + $face->baseline($size, $size * ConnectorWords::LINE);
        $leader = ConnectorWords::leader($slip);
        $parts = $leader === null ? [] : [Primitive::path('leader', vsprintf('M%.1f %.1fL%.1f %.1f', $leader), '', 'soft', 1.0, '2 4')];
        $parts[] = Primitive::path('phrase-room', "M{$x} {$y}h{$w}v{$h}h-{$w}Z")->touching("phrase:{$slip->topic->id}");
        foreach ($lines as $i => $line) {
            array_push($parts, ...TextLine::of('phrase', $line, $x + ($w - $line->width) / 2, round($first + $i * $size * ConnectorWords::LINE, 2), $size, 'ink', $slip->look));
        }

        return $parts;
    }

    /** A paint of the branch's chalk as one of the chalk that it is. */
    public static function paint(string $paint, Slip $slip): string
    {
        return match ($paint) {
            'none' => '',
            'chalk', 'tint', 'text' => "{$paint}:{$slip->chalk}",
            default => $paint,
        };
    }

    /** Strokes and gaps in turn for a dash by its name; strokes are round at their ends, which makes them longer. */
    public static function dashes(string $dash, float $thick): string
    {
        return match ($dash) {
            'dashed' => (3 * $thick + 2).' '.(2.5 * $thick + 3),
            'dotted' => '0.1 '.(2.2 * $thick + 1),
            default => '',
        };
    }

    /** A stroke for each hidden topic up to five, then their number. */
    private function tally(Slip $slip): Primitive
    {
        $opens = $slip->given->opens();
        $middle = match ($opens) {
            Growth::Down => $slip->h + 15,
            Growth::Up => -15.0,
            default => $slip->h / 2,
        };
        if ($slip->hidden > 5) {
            $w = $this->advances->width((string) $slip->hidden, Run::BOLD) * self::TALLY_SIZE / 1000;
            $x = match ($opens) {
                Growth::Right => $slip->w + 9,
                Growth::Left => -9 - $w,
                Growth::Down, Growth::Up => ($slip->w - $w) / 2,
            };

            return Primitive::text('tally-strokes', (string) $slip->hidden, round($x, 2), $middle + 5, round($w, 2), self::TALLY_SIZE, marks: Run::BOLD);
        }
        $x = match ($opens) {
            Growth::Right => $slip->w + 9,
            Growth::Left => -9 - 4 * 5,
            Growth::Down, Growth::Up => $slip->w / 2 - 10,
        };
        $strokes = '';
        for ($i = 0; $i < min(4, $slip->hidden); $i++) {
            $strokes .= 'M'.($x + 5 * $i).' '.($middle - 7 + $i % 2).'l'.($i % 2 ? 0.8 : -0.6).' 13';
        }

        return Primitive::path('tally-strokes', $strokes.($slip->hidden === 5 ? 'M'.($x - 3).' '.($middle + 5).'l21 -10' : ''), '', "chalk:{$slip->chalk}", 2);
    }
}
