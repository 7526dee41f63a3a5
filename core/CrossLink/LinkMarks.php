<?php

declare(strict_types=1);

namespace ChalkTree\CrossLink;

use ChalkTree\Arrange\Ground;
use ChalkTree\Arrange\Slip;
use ChalkTree\Draw\Primitive;
use ChalkTree\Draw\SceneMark;
use ChalkTree\Draw\SlipParts;
use ChalkTree\Draw\TextLine;
use ChalkTree\Look\Look;
use ChalkTree\Map\TopicMap;
use ChalkTree\Route\KnownWays;
use ChalkTree\Route\Spots;
use ChalkTree\Route\Stroke;
use ChalkTree\Text\Advances;
use ChalkTree\Text\Line;
use ChalkTree\Text\Run;
use ChalkTree\Text\Wrapper;

/**
 * How cross-links are drawn: their lines first, each around what is in its way, then the phrases where there is room.
 * Those that end in a folded branch end at what is shown of it, and those that so come to lie between the same two are
 * drawn as one, with their number.
 *
 * @phpstan-type Drawn array{links: non-empty-list<CrossLink>, from: array{Slip, float, float}, to: array{Slip, float, float}, isHidden: bool}
 */
final class LinkMarks
{
    /** How wide the hand is that chooses a line, pixels. */
    private const HAND = 16.0;

    /** Of lines that stand for what is folded, beside their own thickness. */
    private const THINNER = 0.6;

    /** Phrases are broken into lines of so many times their type size; narrower and wider ones where there is room for these. */
    private const WIDEST = [11.0, 7.0, 18.0];

    private const LINE = 1.3;

    private const PAD = 3.0;

    private readonly Wrapper $wrapper;

    /** @param  Look  $look  that topics have, whose type phrases are set in */
    public function __construct(private readonly TopicMap $map, private readonly Ground $ground, private readonly Look $look, private readonly KnownWays $known)
    {
        $this->wrapper = new Wrapper(new Advances);
    }

    /** @return list<SceneMark> */
    public function all(): array
    {
        $drawn = $this->drawn();
        $lines = new LinkLines($this->ground, $this->known);
        $between = [];
        foreach ($drawn as $n => $one) {
            $ids = [$one['from'][0]->topic->id, $one['to'][0]->topic->id];
            sort($ids);
            $between[implode(' ', $ids)][] = $n;
        }
        $strokes = [];
        foreach ($between as $numbers) {
            foreach ($numbers as $nth => $n) {
                $strokes[$n] = $lines->line($drawn[$n]['links'][0], $drawn[$n]['from'], $drawn[$n]['to'], $nth, count($numbers), self::thick($drawn[$n]));
            }
        }
        ksort($strokes);
        $spots = new Spots($this->ground, array_map(fn (LinkStroke $line): Stroke => $line->stroke, $strokes));
        $marks = [];
        foreach ($drawn as $n => $one) {
            $marks[] = $this->mark($one, $strokes[$n], $spots, $n);
        }

        return $marks;
    }

    /** @return list<Drawn> in an order that stays */
    private function drawn(): array
    {
        $links = $this->map->rowsOf(CrossLink::class);
        ksort($links);
        $drawn = [];
        foreach ($links as $link) {
            if (! $this->map->isLiving($link)) {
                continue;
            }
            [$from, $to] = [$this->ground->find($this->map, $link->from()), $this->ground->find($this->map, $link->to())];
            if ($from === null || $to === null || $from[0] === $to[0]) {
                continue;
            }
            [$a, $b] = [$from[0]->topic->id, $to[0]->topic->id];
            $isHidden = $a !== $link->from() || $b !== $link->to();
            $key = $isHidden ? ($a < $b ? "{$a} {$b}" : "{$b} {$a}") : $link->id;
            if (isset($drawn[$key])) {
                $drawn[$key]['links'][] = $link;
            } else {
                $drawn[$key] = ['links' => [$link], 'from' => $from, 'to' => $to, 'isHidden' => $isHidden];
            }
        }

        return array_values($drawn);
    }

    /** @param  Drawn  $one */
    private static function thick(array $one): float
    {
        return ($one['links'][0]->number('thick') ?? CrossLink::THICK) * ($one['isHidden'] ? self::THINNER : 1);
    }

    /** @param  Drawn  $one */
    private function mark(array $one, LinkStroke $line, Spots $spots, int $name): SceneMark
    {
        $link = $one['links'][0];
        $count = count($one['links']);
        $thick = self::thick($one);
        $chalk = $link->text('chalk');
        $paint = $chalk === '' ? 'soft' : "chalk:{$chalk}";
        $d = $line->stroke->path();
        $parts = [
            Primitive::path('hand', $d, thick: self::HAND),
            Primitive::path('line', $d, '', $paint, round($thick, 2), SlipParts::dashes($link->text('dash'), $thick)),
        ];
        foreach ($line->heads as $head) {
            $parts[] = Primitive::path('head', $head, $paint, $paint, 1.0);
        }
        [$left, $top, $right, $bottom] = $line->stroke->bounds();
        $phrase = $count > 1 ? "{$count} cross-links" : $link->text('phrase');
        if ($phrase !== '') {
            [$words, $spot] = $this->phrase($link, $phrase, $line->stroke, $spots, $name, $chalk === '' ? 'ink' : "text:{$chalk}");
            array_push($parts, ...$words);
            [$left, $top, $right, $bottom] = [min($left, $spot[0]), min($top, $spot[1]), max($right, $spot[2]), max($bottom, $spot[3])];
        }
        $touch = 'crosslink:'.implode(' ', array_map(fn (CrossLink $one): string => $one->id, $one['links']));
        $edge = max(4.0, $thick);

        return new SceneMark(
            $link->id,
            CrossLink::type(),
            array_map(fn (Primitive $part): Primitive => $part->touching($touch), $parts),
            array_map(fn (float $at): float => round($at, 1), [$left - $edge, $top - $edge, $right - $left + 2 * $edge, $bottom - $top + 2 * $edge]),
        );
    }

    /** @return array{list<Primitive>, array{float, float, float, float}} and where it stands */
    private function phrase(CrossLink $link, string $phrase, Stroke $stroke, Spots $spots, int $name, string $ink): array
    {
        $size = (float) ($link->number('size') ?? max(CrossLink::SIZE, round($this->look->type->size * 0.9)));
        $marks = ($link->text('weight') === 'bold' ? Run::BOLD : 0) | ($link->text('slant') === 'slanted' ? Run::ITALIC : 0) | $this->look->type->face->cut();
        $sizes = $wrapped = [];
        foreach (self::WIDEST as $wide) {
            $lines = $this->wrapper->wrapPlain($phrase, $size, $size * $wide, $marks);
            if ($wrapped === [] || count($lines) !== count($wrapped[count($wrapped) - 1])) {
                $wrapped[] = $lines;
                $sizes[] = [max(array_map(fn (Line $line): float => $line->width, $lines)) + 2 * self::PAD, count($lines) * $size * self::LINE + self::PAD];
            }
        }
        ['box' => $box, 'isAside' => $isAside, 'size' => $which] = $spots->of($name, $sizes);
        $lines = $wrapped[$which];
        [$left, $top, $right, $bottom] = array_map(fn (float $at): float => round($at, 1), $box);
        $parts = [];
        if ($isAside) {
            [$x, $y] = $stroke->along(0.5);
            $parts[] = Primitive::path('leader', 'M'.round($x, 1).' '.round($y, 1).'L'.round(max($left, min($right, $x)), 1).' '.round(max($top, min($bottom, $y)), 1), '', 'soft', 1.0, '2 4');
        }
        $parts[] = Primitive::path('ground', "M{$left} {$top}H{$right}V{$bottom}H{$left}Z", 'board');
        foreach ($lines as $i => $line) {
            $base = round($top + self::PAD / 2 + $i * $size * self::LINE + $this->look->type->face->baseline($size, $size * self::LINE), 2);
            array_push($parts, ...TextLine::of('phrase', $line, ($left + $right - $line->width) / 2, $base, $size, $ink, $this->look));
        }

        return [$parts, $box];
    }
}
