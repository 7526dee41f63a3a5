<?php

declare(strict_types=1);

namespace ChalkTree\Draw;

use ChalkTree\Arrange\Scene;
use ChalkTree\Arrange\Slip;
use ChalkTree\Look\BoardTheme;
use ChalkTree\Look\Chalk;
use ChalkTree\Look\Palette;
use ChalkTree\Look\StyleSheet;
use ChalkTree\Text\TypeFace;

/**
 * Turns a scene into an SVG file that looks as the board does. The typeface is embedded, in just the cuts that the
 * scene uses, or only named, for programs that have it or cannot load it from a file.
 */
final class SvgWriter
{
    private const MARGIN = 32;

    private readonly SlipParts $parts;

    private readonly PartsWriter $writer;

    private Palette $palette;

    /** @param  array<string, Chalk>  $rings  chalks for rings around topics, by id */
    public function __construct(
        private readonly BoardTheme $board = BoardTheme::Day,
        private readonly ?EmbeddedFonts $fonts = null,
        private readonly bool $background = true,
        private readonly array $rings = [],
        PictureSource $pictures = new NoPictures,
    ) {
        $this->parts = new SlipParts;
        $this->palette = new Palette;
        $this->writer = new PartsWriter($this->paint(...), $pictures);
    }

    public function write(Scene $scene, string $title): string
    {
        $this->writer->cuts = [];
        $this->palette = $scene->palette;
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
            $connector = SlipParts::connector($slip);
            if ($connector !== null) {
                $connectors .= str_replace('<path ', "<path {$at} ", $this->writer->write([$connector]))."\n";
            }
            $slips .= "<g {$at}>".$this->slip($slip)."</g>\n";
        }
        $drawn = fn (bool $isUnder): string => implode('', array_map(fn (SceneMark $mark): string => $mark->isUnder === $isUnder ? '<g>'.$this->writer->write($mark->parts)."</g>\n" : '', $scene->marks));
        [$under, $marks] = [$drawn(true), $drawn(false)];
        $colours = $this->board->colours();
        $ground = $this->background ? "<rect x=\"{$x}\" y=\"{$y}\" width=\"{$w}\" height=\"{$h}\" fill=\"{$colours['board']}\"/>\n" : '';
        $style = 'text{font-family:"'.TypeFace::Clear->family().'",sans-serif;font-kerning:none;font-variant-ligatures:none;white-space:pre}'
            .StyleSheet::faces(array_map(TypeFace::ofCut(...), array_keys($this->writer->cuts)))
            .($this->fonts?->css(array_keys($this->writer->cuts)) ?? '');

        return "<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"{$w}\" height=\"{$h}\" viewBox=\"{$x} {$y} {$w} {$h}\" role=\"img\">\n"
            .'<title>'.PartsWriter::text($title)."</title>\n<style>{$style}</style>\n{$ground}{$under}{$connectors}{$marks}{$slips}</svg>\n";
    }

    /** A colour by its role; see Primitive. */
    private function paint(string $role): string
    {
        [$sort, $name] = [...explode(':', $role, 2), ''];

        return match (true) {
            $name !== '' => $this->palette->colours($name, $this->board)[match ($sort) {
                'tint', 'text' => $sort,
                default => 'line',
            }],
            default => $this->board->colours()[lcfirst(str_replace('-', '', ucwords($role, '-')))] ?? 'none',
        };
    }

    private function slip(Slip $slip): string
    {
        $ring = $this->rings[$slip->topic->id] ?? null;

        return $this->writer->write($this->parts->of($slip))
            .($ring === null ? '' : '<rect x="-5" y="-5" width="'.($slip->w + 10).'" height="'.($slip->h + 10).'" rx="'.($slip->look->box->corner + 5).'" fill="none" stroke-width="3" stroke-dasharray="7 4" stroke="'.$ring->line($this->board).'"/>');
    }
}
