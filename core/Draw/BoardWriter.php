<?php

declare(strict_types=1);

namespace ChalkTree\Draw;

use ChalkTree\Arrange\Scene;
use ChalkTree\Arrange\Slip;
use ChalkTree\Map\TopicMap;

/**
 * Writes a whole scene as SVG for a page on which branches fold: everything drawn says whose it is. "data-t" is a topic,
 * "data-b" how wide and high its box is, "data-p" the one above it, "data-o" where its branch opens; "data-of" are the topics between which something is drawn, which
 * goes when one of them does, or, with "data-all", when all do; "data-f" goes when the topic is folded. Colours are variables of the page; see Paints::css().
 */
final readonly class BoardWriter
{
    private SlipParts $parts;

    private PartsWriter $writer;

    public function __construct(PictureSource $pictures = new NoPictures)
    {
        $this->parts = new SlipParts;
        $this->writer = new PartsWriter(Paints::variable(...), $pictures);
    }

    /**
     * @param  TopicMap  $map  that of the scene
     * @param  array{x: float, y: float, w: float, h: float}  $frame
     */
    public function write(Scene $scene, TopicMap $map, array $frame): string
    {
        $connectors = $slips = '';
        $boxes = $scene->boxes();
        $isAbove = array_fill_keys(array_filter(array_map(fn (array $box): ?string => $box['parent'], $boxes)), true);
        foreach ($boxes as $id => $box) {
            $slip = $scene->slips[$id];
            $at = "transform=\"translate({$box['x']} {$box['y']})\"";
            $connector = SlipParts::connector($slip);
            if ($connector !== null) {
                $connectors .= str_replace('<path ', "<path data-t=\"{$id}\" {$at} ", $this->writer->write([$connector]));
            }
            $with = ($slip->parent === null ? '' : " data-p=\"{$slip->parent}\"").(isset($isAbove[$id]) ? " data-o=\"{$slip->given->opens()->value}\"" : '');
            $slips .= "<g data-t=\"{$id}\" data-b=\"{$box['w']} {$box['h']}\"{$with} {$at}>".$this->line($slip).$this->writer->write($this->parts->box($slip)).'</g>';
        }
        $under = $over = '';
        $ends = MarkEnds::of($scene, $map);
        foreach ($scene->marks as $key => $mark) {
            ['topics' => $topics, 'isAround' => $isAround] = $ends[$key];
            $drawn = '<g'.($topics === [] ? '' : ($isAround ? ' data-all=""' : '').' data-of="'.implode(' ', $topics).'"').'>'.$this->writer->write($mark->parts).'</g>';
            $mark->isUnder ? $under .= $drawn : $over .= $drawn;
        }

        return "<svg xmlns=\"http://www.w3.org/2000/svg\" viewBox=\"{$frame['x']} {$frame['y']} {$frame['w']} {$frame['h']}\">{$under}{$connectors}{$over}{$slips}</svg>";
    }

    private function line(Slip $slip): string
    {
        $parts = $this->parts->line($slip);

        return $parts === [] ? '' : "<g data-f=\"{$slip->topic->id}\">".$this->writer->write($parts).'</g>';
    }
}
