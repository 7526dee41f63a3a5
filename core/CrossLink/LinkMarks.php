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

    /** @param  Look  $look  that topics have, whose type phrases are set in */
    public function __construct(private readonly TopicMap $map, private readonly Ground $ground, private readonly Look $look, private readonly KnownWays $known)
    {
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
                $way = $this->wayInFlow($drawn[$n]);
                $strokes[$n] = $way !== null ? $lines->along($drawn[$n]['links'][0], $way, self::thick($drawn[$n])) : $lines->line($drawn[$n]['links'][0], $drawn[$n]['from'], $drawn[$n]['to'], $nth, count($numbers), self::thick($drawn[$n]));
            }
        }
        ksort($strokes);
        $spots = new Spots($this->ground, array_map(fn (LinkStroke $line): Stroke => $line->stroke, $strokes));
        $marks = [];
        // Those whose place is decided come first.
        foreach ([true, false] as $isDecided) {
            foreach ($drawn as $n => $one) {
                if (($strokes[$n]->words !== null) === $isDecided) {
                    $marks[$n] = $this->mark($one, $strokes[$n], $spots, $n);
                }
            }
        }
        ksort($marks);

        return array_values($marks);
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

    /**
     * How it runs where what heads both of its ends says so, which a person may have overruled by a bend.
     *
     * @param  Drawn  $one
     * @return array{points: non-empty-list<array{float, float}>, words: array{float, float}|null}|null
     */
    private function wayInFlow(array $one): ?array
    {
        [$link, $head] = [$one['links'][0], $one['from'][0]->parent];
        if ($head === null || $one['isHidden'] || $one['to'][0]->parent !== $head || $link->number('bendAt') !== null) {
            return null;
        }
        [$slip, $x, $y] = $this->ground->find($this->map, $head) ?? [null, 0.0, 0.0];
        $way = $slip->ways[$link->id] ?? null;
        $moved = fn (array $point): array => [$point[0] + $x, $point[1] + $y];

        return $way === null ? null : ['points' => array_map($moved, $way['points']), 'words' => $way['words'] === null ? null : $moved($way['words'])];
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
            [$words, $spot] = $this->phrase($link, $phrase, $line, $spots, $name, $chalk === '' ? 'ink' : "text:{$chalk}");
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
    private function phrase(CrossLink $link, string $phrase, LinkStroke $line, Spots $spots, int $name, string $ink): array
    {
        $offered = [];
        foreach ($line->words === null ? PhraseLines::WIDEST : [PhraseLines::WIDEST[0]] as $wide) {
            $lines = PhraseLines::of($link, $phrase, $this->look, $wide);
            if ($offered === [] || count($lines->lines) !== count($offered[count($offered) - 1]->lines)) {
                $offered[] = $lines;
            }
        }
        $spot = $line->words === null ? $spots->of($name, array_map(fn (PhraseLines $lines): array => [$lines->w, $lines->h], $offered)) : $spots->at($line->words, $offered[0]->w, $offered[0]->h);
        ['box' => $box, 'isAside' => $isAside, 'size' => $which] = $spot;
        [$lines, $size] = [$offered[$which]->lines, $offered[$which]->size];
        [$left, $top, $right, $bottom] = array_map(fn (float $at): float => round($at, 1), $box);
        $parts = [];
        if ($isAside) {
            [$x, $y] = $line->stroke->along(0.5);
            $parts[] = Primitive::path('leader', 'M'.round($x, 1).' '.round($y, 1).'L'.round(max($left, min($right, $x)), 1).' '.round(max($top, min($bottom, $y)), 1), '', 'soft', 1.0, '2 4');
        }
        $parts[] = Primitive::path('ground', "M{$left} {$top}H{$right}V{$bottom}H{$left}Z", 'board');
        foreach ($lines as $i => $one) {
            $base = round($top + PhraseLines::PAD / 2 + $i * $size * PhraseLines::LINE + $this->look->type->face->baseline($size, $size * PhraseLines::LINE), 2);
            array_push($parts, ...TextLine::of('phrase', $one, ($left + $right - $one->width) / 2, $base, $size, $ink, $this->look));
        }

        return [$parts, $box];
    }
}
