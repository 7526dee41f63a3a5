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
 *
 * @phpstan-type Frame array{x: float, y: float, w: float, h: float}
 */
final class SvgWriter
{
    /** Pixels of free ground around a drawing where nothing is said. */
    public const MARGIN = 32;

    /** How far what belongs to a topic may stand outside of its box, pixels: tallies, phrases, the ways of connectors. */
    private const BESIDE = 600.0;

    private readonly Paints $paints;

    private readonly SlipParts $parts;

    private readonly PartsWriter $writer;

    private Palette $palette;

    /**
     * @param  Paints|BoardTheme  $paints  what it is drawn in
     * @param  array<string, Chalk>  $rings  chalks for rings around topics, by id
     */
    public function __construct(
        Paints|BoardTheme $paints = BoardTheme::Day,
        private readonly ?EmbeddedFonts $fonts = null,
        private readonly bool $background = true,
        private readonly array $rings = [],
        PictureSource $pictures = new NoPictures,
    ) {
        $this->paints = $paints instanceof BoardTheme ? Paints::board($paints) : $paints;
        $this->parts = new SlipParts;
        $this->palette = new Palette;
        $this->writer = new PartsWriter(fn (string $role): string => $this->paints->of($role, $this->palette), $pictures);
    }

    /**
     * @param  Frame|null  $frame  what of the scene is shown; null for all of it with a margin
     * @param  string  $size  width and height as attributes, where they are not those of the frame
     */
    public function write(Scene $scene, string $title, ?array $frame = null, string $size = ''): string
    {
        ['x' => $x, 'y' => $y, 'w' => $w, 'h' => $h] = $frame ??= self::around($scene);
        $body = $this->body($scene, $frame);
        $size = $size === '' ? "width=\"{$w}\" height=\"{$h}\"" : $size;

        return "<svg xmlns=\"http://www.w3.org/2000/svg\" {$size} viewBox=\"{$x} {$y} {$w} {$h}\" role=\"img\">\n"
            .'<title>'.PartsWriter::text($title)."</title>\n<style>{$this->style()}</style>\n{$body}</svg>\n";
    }

    /**
     * A drawing of primitives alone, such as a chart, from 0, 0 to its width and height.
     *
     * @param  list<Primitive>  $parts
     */
    public function writeParts(array $parts, float $w, float $h, string $title): string
    {
        $body = $this->writer->write($this->paints->isInk ? array_map($this->paints->dressed(...), $parts) : $parts);
        $ground = $this->background ? "<rect width=\"{$w}\" height=\"{$h}\" fill=\"{$this->paints->ground()}\"/>\n" : '';

        return "<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"{$w}\" height=\"{$h}\" viewBox=\"0 0 {$w} {$h}\" role=\"img\">\n"
            .'<title>'.PartsWriter::text($title)."</title>\n<style>{$this->style()}</style>\n{$ground}{$body}</svg>\n";
    }

    /**
     * Everything drawn, with free ground around it.
     *
     * @return Frame
     */
    public static function around(Scene $scene, int $margin = self::MARGIN): array
    {
        $bounds = $scene->bounds();

        return ['x' => $bounds['x'] - $margin, 'y' => $bounds['y'] - $margin, 'w' => $bounds['w'] + 2 * $margin, 'h' => $bounds['h'] + 2 * $margin];
    }

    /**
     * What stands in a frame, without the element around it and without its style.
     *
     * @param  Frame  $frame
     */
    public function body(Scene $scene, array $frame): string
    {
        $this->palette = $scene->palette;
        $connectors = $slips = '';
        $boxes = $scene->boxes();
        foreach ($boxes as $id => $box) {
            $slip = $scene->slips[$id];
            $at = "transform=\"translate({$box['x']} {$box['y']})\"";
            $connector = Boxes::meet(Boxes::around($box, $boxes[$slip->parent ?? $id]), $frame, self::BESIDE) ? SlipParts::connector($slip) : null;
            if ($connector !== null) {
                $connectors .= str_replace('<path ', "<path {$at} ", $this->writer->write([$connector]))."\n";
            }
            if (Boxes::meet(Boxes::drawn($slip, $box), $frame, self::BESIDE)) {
                $slips .= "<g {$at}>".$this->slip($slip)."</g>\n";
            }
        }
        $drawn = fn (bool $isUnder): string => implode('', array_map(fn (SceneMark $mark): string => $mark->isUnder === $isUnder ? '<g>'.$this->writer->write($mark->parts)."</g>\n" : '', $scene->marks));
        [$under, $marks] = [$drawn(true), $drawn(false)];
        $ground = $this->background ? "<rect x=\"{$frame['x']}\" y=\"{$frame['y']}\" width=\"{$frame['w']}\" height=\"{$frame['h']}\" fill=\"{$this->paints->ground()}\"/>\n" : '';

        return $ground.$under.$connectors.$marks.$slips;
    }

    /** @return list<int> the cuts of typefaces in what was written by this so far; see EmbeddedFonts */
    public function cuts(): array
    {
        return array_keys($this->writer->cuts);
    }

    /** The rules for what was written by this so far. */
    public function style(): string
    {
        $cuts = $this->cuts();

        return 'text{font-family:"'.TypeFace::Clear->family().'",sans-serif;font-kerning:none;font-variant-ligatures:none;white-space:pre}'
            .StyleSheet::faces(array_map(TypeFace::ofCut(...), $cuts)).($this->fonts?->css($cuts) ?? '');
    }

    private function slip(Slip $slip): string
    {
        $ring = $this->rings[$slip->topic->id] ?? null;
        $parts = $this->parts->of($slip);

        return $this->writer->write($this->paints->isInk ? array_map($this->paints->dressed(...), $parts) : $parts)
            .($ring === null ? '' : '<rect x="-5" y="-5" width="'.($slip->w + 10).'" height="'.($slip->h + 10).'" rx="'.($slip->look->box->corner + 5).'" fill="none" stroke-width="3" stroke-dasharray="7 4" stroke="'.$ring->line($this->paints->board).'"/>');
    }
}
