<?php

declare(strict_types=1);

namespace ChalkTree\Draw;

use ChalkTree\Text\Run;
use ChalkTree\Text\TypeFace;
use Closure;

/** Writes primitives as SVG, in whatever stands for a paint. */
final class PartsWriter
{
    /** @var array<int, true> the cuts of the typeface that were used, see TypeFace */
    public array $cuts = [];

    /**
     * @param  Closure(string): string  $paint  gives the colour for a role; see Primitive
     * @param  PictureSource  $pictures  gives what is drawn for a picture
     */
    public function __construct(private readonly Closure $paint, private readonly PictureSource $pictures)
    {
    }

    /** @param  list<Primitive>  $parts */
    public function write(array $parts): string
    {
        $out = '';
        foreach ($parts as $part) {
            $out .= match (true) {
                isset($part->what['d']) => $this->path($part, $part->what['d'], $part->what['thick'] ?? 0.0, $part->what['dash'] ?? ''),
                isset($part->what['picture'], $part->what['box']) => $this->picture($part->what['picture'], $part->what['box'], $part->what['about'] ?? ''),
                default => $this->line($part),
            };
        }

        return $out;
    }

    private function path(Primitive $part, string $d, float $thick, string $dash): string
    {
        if ($part->fill === '' && $part->stroke === '') {
            return '';
        }
        $stroke = $part->stroke === '' ? '' : ' stroke="'.$this->paint($part->stroke)."\" stroke-width=\"{$thick}\" stroke-linecap=\"round\"".($dash === '' ? '' : " stroke-dasharray=\"{$dash}\"");

        return '<path fill="'.$this->paint($part->fill)."\"{$stroke} d=\"".self::text($d).'"/>';
    }

    private function line(Primitive $part): string
    {
        $spans = '';
        $isRightToLeft = $part->what['rtl'] ?? false;
        $face = TypeFace::from($part->what['face'] ?? TypeFace::Clear->value);
        $size = $part->what['size'] ?? 0;
        $isUneven = array_filter($part->what['spans'] ?? [], fn (array $span): bool => ($span['marks'] & Run::SMALL) !== 0) !== [];
        foreach ($part->what['spans'] ?? [] as $span) {
            $this->cuts[$face->cut() | ($span['marks'] & (Run::BOLD | Run::ITALIC))] = true;
            // Text that is read from right to left begins at its right end.
            $x = $isRightToLeft ? round($span['x'] + $span['w'], 2) : $span['x'];
            $lines = ($span['marks'] & Run::UNDERLINE) || isset($span['href']) ? 'underline ' : '';
            $lines .= $span['marks'] & Run::STRIKE ? 'line-through' : '';
            $style = ($span['marks'] & Run::BOLD ? ' font-weight="700"' : '').($span['marks'] & Run::ITALIC ? ' font-style="italic"' : '')
                .($lines === '' ? '' : ' text-decoration="'.trim($lines).'"')
                // What stands lower or higher takes the rest of the line along, so each says where it stands.
                .($isUneven ? ' y="'.round(($part->what['y'] ?? 0) + $size * ($span['marks'] & Run::SUB ? Run::SUNK : ($span['marks'] & Run::SUPER ? -Run::RAISED : 0)), 2).'"' : '')
                .($span['marks'] & Run::SMALL ? ' font-size="'.round($size * Run::PART, 2).'"' : '');
            $set = "<tspan x=\"{$x}\" fill=\"".$this->paint($span['fill'] ?? $part->fill)."\"{$style}>".self::text($span['text']).'</tspan>';
            $spans .= isset($span['href']) ? '<a href="'.self::text($span['href'])."\">{$set}</a>" : $set;
        }

        return '<text xml:space="preserve" y="'.($part->what['y'] ?? 0).'" font-size="'.($part->what['size'] ?? 0).'"'.($isRightToLeft ? ' direction="rtl"' : '').($face === TypeFace::Clear ? '' : " class=\"face-{$face->value}\"").">{$spans}</text>";
    }

    /** @param  array{float, float, float, float}  $box */
    private function picture(string $picture, array $box, string $about): string
    {
        [$x, $y, $w, $h] = $box;
        $at = "x=\"{$x}\" y=\"{$y}\" width=\"{$w}\" height=\"{$h}\"";
        $title = $about === '' ? '' : '<title>'.self::text($about).'</title>';
        $drawing = $this->pictures->drawing($picture);
        if ($drawing !== null) {
            return "<svg {$at} viewBox=\"0 0 32 32\">{$title}{$drawing}</svg>";
        }
        $href = $this->pictures->address($picture, $w);
        if ($href !== null) {
            return "<image {$at} href=\"".self::text($href)."\">{$title}</image>";
        }

        // One that is not there any more keeps its room.
        return "<rect {$at} rx=\"6\" fill=\"none\" stroke=\"".$this->paint('soft').'" stroke-dasharray="5 5">'.$title.'</rect>';
    }

    private function paint(string $role): string
    {
        return $role === '' ? 'none' : ($this->paint)($role);
    }

    public static function text(string $text): string
    {
        return htmlspecialchars($text, ENT_QUOTES | ENT_XML1 | ENT_SUBSTITUTE, 'UTF-8');
    }
}
