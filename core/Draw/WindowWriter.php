<?php

declare(strict_types=1);

namespace ChalkTree\Draw;

use ChalkTree\Arrange\Scene;
use ChalkTree\Arrange\Slip;

/**
 * Writes what a window onto a board shows as SVG that stands in a page, in the page's own colours: topics that can be
 * read as they are drawn, smaller ones as bars.
 *
 * @phpstan-type Box array{x: float, y: float, w: float, h: float}
 */
final readonly class WindowWriter
{
    /** Type smaller than this on the screen, in pixels, is not drawn as type. */
    public const LEAST_TYPE = 9.0;

    private SlipParts $parts;

    private PartsWriter $writer;

    public function __construct(PictureSource $pictures = new NoPictures)
    {
        $this->parts = new SlipParts;
        $this->writer = new PartsWriter(Paints::variable(...), $pictures);
    }

    /**
     * @param  Box  $window  on the board
     * @param  float  $scale  pixels of the screen for one of the board
     */
    public function write(Scene $scene, array $window, float $scale): string
    {
        $connectors = $slips = $lines = '';
        $bars = $strokes = [];
        $boxes = $scene->boxes();
        foreach ($boxes as $id => $box) {
            $slip = $scene->slips[$id];
            $parent = $slip->parent === null ? $box : $boxes[$slip->parent];
            $isLegible = self::isLegible($slip, $scale);
            $isSeen = Boxes::meet($box, $window);
            if ($isLegible && ($isSeen || Boxes::meet(Boxes::drawn($slip, $box), $window))) {
                $slips .= "<g transform=\"translate({$box['x']} {$box['y']})\">".$this->writer->write($this->parts->of($slip)).'</g>';
            } elseif ($slip->axis !== [] && Boxes::meet(Boxes::drawn($slip, $box), $window)) {
                $lines .= "<g transform=\"translate({$box['x']} {$box['y']})\">".$this->writer->write(array_values(array_filter($this->parts->line($slip), fn (Primitive $part): bool => isset($part->what['d'])))).'</g>';
            }
            if ($isSeen && ! $isLegible) {
                $chalk = $slip->level === 0 ? 'plate' : $slip->chalk;
                $inset = $slip->level < 2 ? 0 : 3;
                $bars[$chalk] = ($bars[$chalk] ?? '')."M{$box['x']} ".($box['y'] + $inset)."h{$box['w']}v".($box['h'] - 2 * $inset)."h-{$box['w']}z";
            }
            if (($slip->parent !== null || $slip->above > 0) && Boxes::meet(Boxes::around($box, $parent), $window)) {
                if ($isLegible) {
                    $connector = SlipParts::connector($slip);
                    $connectors .= $connector === null ? '' : "<g transform=\"translate({$box['x']} {$box['y']})\">".$this->writer->write([$connector]).'</g>';
                } elseif ($slip->route !== [] && $isSeen) {
                    $strokes[$slip->chalk] = ($strokes[$slip->chalk] ?? '').self::stroke($slip, $box);
                }
            }
        }
        $style = $scene->palette->css();
        $style = $style === '' ? '' : "<style>{$style}</style>";
        $far = '';
        foreach ($strokes as $chalk => $d) {
            $far .= "<path fill=\"none\" stroke=\"var(--{$chalk})\" stroke-width=\"3\" stroke-opacity=\"0.6\" d=\"{$d}\"/>";
        }
        foreach ($bars as $chalk => $d) {
            $far .= "<path fill=\"var(--{$chalk})\" fill-opacity=\"0.32\" d=\"{$d}\"/>";
        }
        $marks = $far !== '' ? '' : implode('', array_map(fn (SceneMark $mark): string => '<g>'.$this->writer->write(self::legible($mark, $scale)).'</g>', $scene->marks));

        return "<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"100%\" height=\"100%\" preserveAspectRatio=\"none\" viewBox=\"{$window['x']} {$window['y']} {$window['w']} {$window['h']}\" aria-hidden=\"true\">{$style}{$far}{$lines}{$connectors}{$marks}{$slips}</svg>";
    }

    /**
     * Of a line whose words could not be read, the line alone, as on the board.
     *
     * @return list<Primitive>
     */
    private static function legible(SceneMark $mark, float $scale): array
    {
        $isLine = array_filter($mark->parts, fn (Primitive $part): bool => $part->part === 'line') !== [];
        $small = array_filter($mark->parts, fn (Primitive $part): bool => isset($part->what['size']) && self::LEAST_TYPE - 0.5 > $part->what['size'] * $scale);

        return $isLine && $small !== [] ? array_values(array_filter($mark->parts, fn (Primitive $part): bool => in_array($part->part, ['line', 'head'], true))) : $mark->parts;
    }

    public static function isLegible(Slip $slip, float $scale): bool
    {
        return $slip->look->type->size * $scale >= self::LEAST_TYPE;
    }

    /**
     * A straight line from where the connector begins to where it ends, or its way where that winds.
     *
     * @param  array{x: float, y: float, ...}  $box
     */
    private static function stroke(Slip $slip, array $box): string
    {
        if ($slip->isWinding) {
            $points = array_map(fn (array $point): string => ($box['x'] + $point[0]).' '.($box['y'] + $point[1]), array_chunk($slip->route, 2));

            return 'M'.implode('L', $points);
        }
        $ends = [...array_slice($slip->route, 0, 2), ...array_slice($slip->route, -2)];

        return 'M'.($box['x'] + $ends[0]).' '.($box['y'] + $ends[1]).'L'.($box['x'] + $ends[2]).' '.($box['y'] + $ends[3]);
    }
}
