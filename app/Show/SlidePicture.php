<?php

declare(strict_types=1);

namespace App\Show;

use ChalkTree\Draw\Paints;
use ChalkTree\Draw\PictureSource;
use ChalkTree\Look\BoardTheme;
use ChalkTree\Look\StyleSheet;
use ChalkTree\Map\TopicMap;
use ChalkTree\Show\Deck;
use ChalkTree\Show\Slide;
use ChalkTree\Show\SlideBoard;
use ChalkTree\Show\SlideSheet;
use ChalkTree\Show\SlideWriter;
use ChalkTree\Text\TypeFace;

/** A slide as SVG of 16 to 9 that needs nothing besides. */
final class SlidePicture
{
    /**
     * @param  TopicMap  $map  as Outgoing has it
     * @param  string  $size  width and height as attributes
     */
    public static function of(TopicMap $map, Deck $deck, Slide $slide, BoardTheme|Paints $on, PictureSource $pictures, string $size = ''): string
    {
        $writer = new SlideWriter($on instanceof Paints ? $on : Paints::board($on), $pictures);
        $sheet = (new SlideSheet($writer))->write(SlideBoard::of($map, $slide), $slide, $deck->text('veil'), $deck->flag('gaps') ? $slide->chosen()->covered() : []);

        return self::wrapped(self::ground($writer).$sheet, $size);
    }

    public static function ground(SlideWriter $writer): string
    {
        return '<rect width="'.SlideSheet::WIDE.'" height="'.SlideSheet::HIGH."\" fill=\"{$writer->ground()}\"/>";
    }

    /** @param  string|null  $box  what it shows, where that is not a whole sheet */
    public static function wrapped(string $body, string $size = '', ?string $box = null): string
    {
        $box ??= '0 0 '.SlideSheet::WIDE.' '.SlideSheet::HIGH;

        return "<svg xmlns=\"http://www.w3.org/2000/svg\" {$size} viewBox=\"{$box}\"><style>".self::style()."</style>{$body}</svg>\n";
    }

    /** The rules for what is drawn. */
    public static function style(): string
    {
        return 'text{font-family:"'.TypeFace::Clear->family().'",sans-serif;font-kerning:none;font-variant-ligatures:none;white-space:pre}'.StyleSheet::faces(TypeFace::cases());
    }
}
