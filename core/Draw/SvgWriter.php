<?php

declare(strict_types=1);

namespace ChalkTree\Draw;

use ChalkTree\Arrange\Connector;
use ChalkTree\Arrange\Growth;
use ChalkTree\Arrange\Scene;
use ChalkTree\Arrange\Slip;
use ChalkTree\Arrange\SlipData;
use ChalkTree\Look\BoardTheme;
use ChalkTree\Look\Chalk;
use ChalkTree\Look\LevelLook;
use ChalkTree\Look\Looks;
use ChalkTree\Text\Run;

/**
 * Turns a scene into an SVG file that looks as the board does. The typeface is embedded, in just the cuts that the
 * scene uses, or only named, for programs that have it or cannot load it from a file.
 */
final class SvgWriter
{
    private const MARGIN = 32;

    private const FAMILY = 'Atkinson Hyperlegible';

    /** @var array<int, true> the cuts used, by Run::BOLD and Run::ITALIC */
    private array $cuts = [];

    private readonly SlipData $data;

    /** @param  array<string, Chalk>  $rings  chalks for rings around topics, by id */
    public function __construct(
        private readonly BoardTheme $board = BoardTheme::Day,
        private readonly ?EmbeddedFonts $fonts = null,
        private readonly bool $background = true,
        private readonly array $rings = [],
    ) {
        $this->data = new SlipData;
    }

    public function write(Scene $scene, string $title): string
    {
        $this->cuts = [];
        $bounds = $scene->bounds();
        $x = $bounds['x'] - self::MARGIN;
        $y = $bounds['y'] - self::MARGIN;
        $w = $bounds['w'] + 2 * self::MARGIN;
        $h = $bounds['h'] + 2 * self::MARGIN;
        $connectors = '';
        $slips = '';
        foreach ($scene->boxes() as $id => $box) {
            $slip = $scene->slips[$id];
            $at = "transform=\"translate({$box['x']} {$box['y']})\"";
            if ($slip->parent !== null || $slip->above > 0) {
                $colour = $this->chalk($slip)->line($this->board);
                $connectors .= "<path {$at} fill=\"{$colour}\" d=\"".Connector::path($slip)."\"/>\n";
            }
            $slips .= "<g {$at}>".$this->slip($slip)."</g>\n";
        }
        $marks = implode('', array_map($this->mark(...), $scene->marks));
        $colours = $this->board->colours();
        $ground = $this->background ? "<rect x=\"{$x}\" y=\"{$y}\" width=\"{$w}\" height=\"{$h}\" fill=\"{$colours['board']}\"/>\n" : '';
        $style = 'text{font-family:"'.self::FAMILY.'",sans-serif;font-kerning:none;font-variant-ligatures:none;white-space:pre}'
            .($this->fonts?->css(array_keys($this->cuts)) ?? '');

        return "<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"{$w}\" height=\"{$h}\" viewBox=\"{$x} {$y} {$w} {$h}\" role=\"img\">\n"
            .'<title>'.self::text($title)."</title>\n<style>{$style}</style>\n{$ground}{$connectors}{$marks}{$slips}</svg>\n";
    }

    private function mark(SceneMark $mark): string
    {
        $out = '';
        foreach ($mark->parts as $part) {
            $what = $part->what;
            $paint = 'fill="'.$this->paint($part->fill).'" stroke="'.$this->paint($part->stroke).'"';
            if (isset($what['d'])) {
                $out .= "<path {$paint} stroke-width=\"".($what['thick'] ?? 0).'" d="'.self::text($what['d']).'"/>';
            } else {
                $this->cuts[0] = true;
                $out .= "<text xml:space=\"preserve\" {$paint} x=\"".($what['x'] ?? 0).'" y="'.($what['y'] ?? 0).'" font-size="'.($what['size'] ?? 0).'">'.self::text($what['text'] ?? '').'</text>';
            }
        }

        return "<g>{$out}</g>\n";
    }

    /** A colour by its role; see Primitive. */
    private function paint(string $role): string
    {
        $chalk = str_starts_with($role, 'chalk:') ? Chalk::tryFrom(substr($role, 6)) : null;

        return $chalk?->line($this->board) ?? $this->board->colours()[$role] ?? 'none';
    }

    private function slip(Slip $slip): string
    {
        $look = $slip->look;
        $colours = $this->board->colours();
        $chalk = $this->chalk($slip);
        $line = $chalk->line($this->board);
        $paper = match ($slip->level) {
            0 => "fill=\"{$colours['plate']}\"",
            1 => 'fill="'.$chalk->tint($this->board).'"',
            2 => "fill=\"{$colours['slip']}\" stroke=\"{$colours['edge']}\"",
            default => 'fill="none"',
        };
        $out = "<rect width=\"{$slip->w}\" height=\"{$slip->h}\" rx=\"{$look->corner}\" {$paper}/>";
        if ($look->spine > 0) {
            $out .= "<path fill=\"{$line}\" d=\"".self::spine($slip, $look).'"/>';
        }
        $ink = $slip->level === 0 ? $colours['plateInk'] : $colours['ink'];
        $data = $this->data->of($slip);
        foreach ($data['lines'] as $row) {
            $out .= $this->line($row['y'], $row['parts'], $look->size, $ink, $slip->level === 0);
        }
        foreach ($data['caption'] as $row) {
            $out .= $this->line($row['y'], $row['parts'], Looks::CAPTION_SIZE, $slip->level === 0 ? $ink : $colours['soft'], $slip->level === 0);
        }
        if ($data['note']) {
            $out .= $this->noteSign($slip, $look, $slip->level === 0 ? $ink : $colours['soft']);
        }

        if (isset($this->rings[$slip->topic->id])) {
            $out .= '<rect x="-5" y="-5" width="'.($slip->w + 10).'" height="'.($slip->h + 10).'" rx="'.($look->corner + 5).'" fill="none" stroke-width="3" stroke-dasharray="7 4" stroke="'.$this->rings[$slip->topic->id]->line($this->board).'"/>';
        }

        return $out.($slip->hidden > 0 ? $this->tally($slip, $line, $colours['ink']) : '');
    }

    /** The bar along the edge that faces the parent, round where the slip is. */
    private static function spine(Slip $slip, LevelLook $look): string
    {
        [$r, $s, $h, $w] = [$look->corner, $look->spine, $slip->h, $slip->w];
        $inner = $h - 2 * $r;

        return match ($slip->given->enters) {
            Growth::Right => "M{$r} 0A{$r} {$r} 0 0 0 0 {$r}v{$inner}A{$r} {$r} 0 0 0 {$r} {$h}H".max($s, $r)."L{$s} ".($h - $r)."V{$r}L".max($s, $r).' 0Z',
            Growth::Left => 'M'.($w - $r)." 0A{$r} {$r} 0 0 1 {$w} {$r}v{$inner}A{$r} {$r} 0 0 1 ".($w - $r)." {$h}L".($w - $s).' '.($h - $r)."V{$r}Z",
            Growth::Down => "M0 {$r}A{$r} {$r} 0 0 1 {$r} 0H".($w - $r)."A{$r} {$r} 0 0 1 {$w} {$r}L".($w - $r)." {$s}H{$r}Z",
        };
    }

    /** @param  list<array{x: float, w: float, text: string, marks: int, href?: string, guess?: true}>  $parts */
    private function line(float $y, array $parts, float $size, string $ink, bool $onPlate): string
    {
        $out = '';
        $spans = '';
        foreach ($parts as $part) {
            $this->cuts[$part['marks'] & (Run::BOLD | Run::ITALIC)] = true;
            $colour = isset($part['href']) && ! $onPlate ? $this->board->colours()['link'] : $ink;
            $lines = ($part['marks'] & Run::UNDERLINE) || isset($part['href']) ? 'underline ' : '';
            $lines .= $part['marks'] & Run::STRIKE ? 'line-through' : '';
            $style = ($part['marks'] & Run::BOLD ? ' font-weight="700"' : '').($part['marks'] & Run::ITALIC ? ' font-style="italic"' : '')
                .($lines === '' ? '' : ' text-decoration="'.trim($lines).'"');
            if ($part['marks'] & Run::CODE && ! $onPlate) {
                $out .= '<rect x="'.($part['x'] - 2).'" y="'.($y - $size).'" width="'.($part['w'] + 4).'" height="'.($size * 1.3)."\" rx=\"3\" fill=\"{$this->board->colours()['code']}\"/>";
            }
            $span = "<tspan x=\"{$part['x']}\" fill=\"{$colour}\"{$style}>".self::text($part['text']).'</tspan>';
            $spans .= isset($part['href']) ? '<a href="'.self::text($part['href'])."\">{$span}</a>" : $span;
        }

        return $spans === '' ? $out : "{$out}<text xml:space=\"preserve\" y=\"{$y}\" font-size=\"{$size}\">{$spans}</text>";
    }

    private function noteSign(Slip $slip, LevelLook $look, string $ink): string
    {
        $x = $slip->w - $look->padX - 11 - ($slip->given->enters === Growth::Left ? $look->spine : 0);
        $y = $look->padY + $look->line / 2 - 5;

        return "<path fill=\"none\" stroke=\"{$ink}\" stroke-width=\"1.6\" stroke-linecap=\"round\" d=\"M{$x} {$y}h11m-11 5h11m-11 5h6\"/>";
    }

    /** A stroke for each hidden topic up to five, then their number. */
    private function tally(Slip $slip, string $chalk, string $ink): string
    {
        $opens = $slip->given->arrangement->opens();
        $x = match ($opens) {
            Growth::Right => $slip->w + 9,
            Growth::Left => -9 - 4 * 5,
            Growth::Down => $slip->w / 2 - 10,
        };
        $middle = $opens === Growth::Down ? $slip->h + 15 : $slip->h / 2;
        $strokes = '';
        for ($i = 0; $i < min(4, $slip->hidden); $i++) {
            $strokes .= 'M'.($x + 5 * $i).' '.($middle - 7 + $i % 2).'l'.($i % 2 ? 0.8 : -0.6).' 13';
        }
        $strokes .= $slip->hidden === 5 ? 'M'.($x - 3).' '.($middle + 5).'l21 -10' : '';
        if ($slip->hidden <= 5) {
            return "<path fill=\"none\" stroke=\"{$chalk}\" stroke-width=\"2\" stroke-linecap=\"round\" d=\"{$strokes}\"/>";
        }
        $end = match ($opens) {
            Growth::Right => "x=\"{$x}\"",
            Growth::Left => 'x="-9" text-anchor="end"',
            Growth::Down => 'x="'.($slip->w / 2).'" text-anchor="middle"',
        };

        return "<text {$end} y=\"".($middle + 5)."\" font-size=\"14\" font-weight=\"700\" fill=\"{$ink}\">{$slip->hidden}</text>";
    }

    private function chalk(Slip $slip): Chalk
    {
        return Chalk::from($slip->chalk);
    }

    private static function text(string $text): string
    {
        return htmlspecialchars($text, ENT_QUOTES | ENT_XML1 | ENT_SUBSTITUTE, 'UTF-8');
    }
}
