<?php

declare(strict_types=1);

namespace ChalkTree\Draw;

use ChalkTree\Look\Look;
use ChalkTree\Text\Line;
use ChalkTree\Text\Run;
use ChalkTree\Text\TypeFace;

/** A wrapped line of formatted text, as it is drawn. */
final class TextLine
{
    /**
     * @param  string  $part  what it is called among the parts of what is drawn
     * @param  float  $begin  of its first letter
     * @param  float  $y  of its baseline
     * @param  string  $ink  a paint by its role
     * @param  Look  $look  of what it stands on
     * @return list<Primitive> the text, above the grounds of what is code in it
     */
    public static function of(string $part, Line $line, float $begin, float $y, float $size, string $ink, Look $look): array
    {
        $isOnPlate = $look->box->fill === 'plate';
        $face = $look->type->face;
        $grounds = [];
        $spans = [];
        foreach ($line->parts as $run) {
            $span = [
                'x' => (int) (($begin + $run['x']) * 100) / 100,
                'w' => (int) ($run['w'] * 100 + 1) / 100,
                'text' => $run['run']->text,
                'marks' => $run['run']->marks & ~Run::FACE,
            ];
            if ($run['run']->href !== null) {
                $span['href'] = $run['run']->href;
                $span += $isOnPlate ? [] : ['fill' => 'link'];
            }
            // Where a fallback font will be used its width is an estimate, which whoever draws it may hold it to.
            if (preg_match($face === TypeFace::Clear ? '/[^\x00-\x{17f}\x{2013}-\x{2026}]/u' : '/[^\x00-\x{ff}\x{2013}-\x{2026}]/u', $run['run']->text) === 1) {
                $span['guess'] = true;
            }
            if ($run['run']->marks & Run::CODE && ! $isOnPlate) {
                [$x, $top, $w, $h] = [$span['x'] - 2, $y - $size, $span['w'] + 4, $size * 1.3];
                $grounds[] = Primitive::path('code', "M{$x} {$top}h{$w}v{$h}h-{$w}Z", 'code');
            }
            $spans[] = $span;
        }

        if ($line->isRightToLeft) {
            // Each by itself, so that nobody puts them into another order.
            return [...$grounds, ...array_map(fn (array $span): Primitive => Primitive::line($part, $y, $size, [$span], $ink, $face, true), $spans)];
        }

        return $spans === [] ? $grounds : [...$grounds, Primitive::line($part, $y, $size, $spans, $ink, $face)];
    }
}
