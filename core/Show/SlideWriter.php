<?php

declare(strict_types=1);

namespace ChalkTree\Show;

use ChalkTree\Draw\Boxes;
use ChalkTree\Draw\MarkEnds;
use ChalkTree\Draw\NoPictures;
use ChalkTree\Draw\Paints;
use ChalkTree\Draw\PartsWriter;
use ChalkTree\Draw\PictureSource;
use ChalkTree\Draw\SlipParts;
use ChalkTree\Look\Palette;
use ChalkTree\Text\Run;

/**
 * Writes what a slide shows as SVG: the rest of the map, a veil over it, and what is on the slide above that. On the screen
 * everything says whose it is ("data-t"), and what is covered has a cover that can be taken away ("data-c"); in files what is
 * covered is not there at all.
 *
 * @phpstan-import-type Frame from SlideBoard
 */
final class SlideWriter
{
    /** How far what belongs to a topic may stand outside of its box, pixels. */
    private const BESIDE = 600.0;

    private const CORNER = 7;

    private readonly SlipParts $parts;

    private readonly PartsWriter $writer;

    private Palette $palette;

    /** @param  Paints|null  $paints  colours of a file; null for those that a page has as variables */
    public function __construct(private readonly ?Paints $paints = null, PictureSource $pictures = new NoPictures)
    {
        $this->parts = new SlipParts;
        $this->palette = new Palette;
        $this->writer = new PartsWriter(fn (string $role): string => $this->paint($role), $pictures);
    }

    /**
     * @param  Frame  $frame  all that is written
     * @param  int  $dim  percent
     * @param  string  $veil  one of Deck::VEILS, or empty for the board
     * @param  list<string>  $covered  topics
     */
    public function write(SlideBoard $board, array $frame, int $dim, string $veil = '', array $covered = []): string
    {
        $this->palette = $board->scene->palette;
        $covers = array_fill_keys($covered, true);
        [$rest, $shown] = [new Layers, new Layers];
        $boxes = $board->scene->boxes();
        foreach ($boxes as $id => $box) {
            $isShown = isset($board->shown[$id]);
            if (! $isShown && $board->way !== 'all') {
                continue;
            }
            $slip = $board->scene->slips[$id];
            $at = "data-t=\"{$id}\" transform=\"translate({$box['x']} {$box['y']})\"";
            $isTied = $slip->parent === null || isset($board->shown[$slip->parent]);
            $connector = ($isTied || $board->way === 'all') && Boxes::meet(Boxes::around($box, $boxes[$slip->parent ?? $id]), $frame, self::BESIDE) ? SlipParts::connector($slip) : null;
            if ($connector !== null) {
                $layer = $isShown && $isTied ? $shown : $rest;
                $layer->connectors .= str_replace('<path ', "<path {$at} ", $this->writer->write([$connector]));
            }
            if (Boxes::meet(Boxes::drawn($slip, $box), $frame, self::BESIDE)) {
                $layer = $isShown ? $shown : $rest;
                $layer->slips .= $this->slip($this->parts->of($slip), $box, $at, isset($covers[$id]));
            }
        }
        $ends = MarkEnds::of($board->scene, $board->map);
        foreach ($board->scene->marks as $key => $mark) {
            $isShown = $ends[$key]['topics'] !== [] && array_diff_key(array_flip($ends[$key]['topics']), $board->shown) === [];
            if ($isShown || $board->way === 'all') {
                $layer = $isShown ? $shown : $rest;
                $drawn = '<g>'.$this->writer->write($mark->parts).'</g>';
                $mark->isUnder ? $layer->under .= $drawn : $layer->over .= $drawn;
            }
        }
        $over = $board->way !== 'all' ? '' : "<rect class=\"veil\" x=\"{$frame['x']}\" y=\"{$frame['y']}\" width=\"{$frame['w']}\" height=\"{$frame['h']}\" fill=\"{$this->veil($veil)}\" fill-opacity=\"".($dim / 100).'"/>';

        return "<g class=\"rest\">{$rest->text()}</g>{$over}<g class=\"shown\">{$shown->text()}</g>";
    }

    /** @return list<int> the cuts of typefaces in what was written so far; see EmbeddedFonts */
    public function cuts(): array
    {
        return array_keys($this->writer->cuts);
    }

    /** The colour of the board, or of the paper. */
    public function ground(): string
    {
        return $this->paints?->ground() ?? 'var(--board)';
    }

    /** A line of plain text, in bold or not. */
    public function line(string $text, float $x, float $y, float $size, bool $isBold = false, string $role = 'ink', string $anchor = 'start'): string
    {
        $this->writer->cuts[$isBold ? Run::BOLD : 0] = true;

        return "<text xml:space=\"preserve\" x=\"{$x}\" y=\"{$y}\" font-size=\"{$size}\" text-anchor=\"{$anchor}\"".($isBold ? ' font-weight="700"' : '').' fill="'.$this->paint($role).'">'.PartsWriter::text($text).'</text>';
    }

    /**
     * @param  list<\ChalkTree\Draw\Primitive>  $parts
     * @param  array{w: float, h: float, ...}  $box
     */
    private function slip(array $parts, array $box, string $at, bool $isCovered): string
    {
        $cover = "<rect data-c=\"\" width=\"{$box['w']}\" height=\"{$box['h']}\" rx=\"".self::CORNER.'" fill="'.$this->paint('tint:driftwood').'" stroke="'.$this->paint('chalk:driftwood').'" stroke-width="1.5" stroke-dasharray="5 4"/>';
        $isGone = $isCovered && $this->paints !== null;

        return "<g {$at}>".($isGone ? '' : $this->writer->write($this->paints?->isInk === true ? array_map($this->paints->dressed(...), $parts) : $parts)).($isCovered ? $cover : '').'</g>';
    }

    private function veil(string $veil): string
    {
        return match ($veil) {
            'black' => '#000000',
            'white' => '#ffffff',
            default => $this->ground(),
        };
    }

    private function paint(string $role): string
    {
        return $this->paints?->of($role, $this->palette) ?? Paints::variable($role);
    }
}
