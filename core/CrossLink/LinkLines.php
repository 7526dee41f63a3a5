<?php

declare(strict_types=1);

namespace ChalkTree\CrossLink;

use ChalkTree\Arrange\Ground;
use ChalkTree\Arrange\Slip;
use ChalkTree\Route\CornerFinder;
use ChalkTree\Route\KnownWays;
use ChalkTree\Route\Port;
use ChalkTree\Route\Stroke;
use ChalkTree\Route\Surroundings;
use ChalkTree\Route\WayFinder;

/**
 * Where the lines of cross-links run, one after the other: each takes its own places at the outlines.
 *
 * @phpstan-type End array{Slip, float, float}
 *
 * @phpstan-import-type Way from WayFinder
 */
final class LinkLines
{
    /** A place at an outline where a line is already costs so much more, pixels of way. */
    private const USED = 30.0;

    /** Between lines that tie the same two, where they are farthest from each other. */
    private const SPREAD = 34.0;

    /** Past so many lines the rest go straight: they cost as much as the whole map. */
    private const MOST_AROUND = 150;

    private const ROUND = 26.0;

    /** Where a person put it somewhere it goes there. */
    private const ROUND_BENT = 10.0;

    private const ROUND_CORNER = 7.0;

    /** Pixels that a curve may reach over in all, for what is around it to be asked for at once. */
    private const WIDE = 1_000_000.0;

    /** How far curves lean out straight before they turn, as a part of the way, and at most. */
    private const LEAN = [0.42, 90.0];

    private Surroundings $around;

    private WayFinder $ways;

    /** @var array<string, array<string, float>> what the places at the outlines cost more by now, by topic and name */
    private array $used = [];

    private int $count = 0;

    public function __construct(private readonly Ground $ground, private readonly KnownWays $known)
    {
        $this->around = new Surroundings($ground, 0.0, 0.0);
        $this->ways = new WayFinder($this->around);
    }

    /**
     * @param  End  $from
     * @param  End  $to
     * @param  int  $nth  of those that tie the same two, from 0
     * @param  int  $of  how many do
     */
    public function line(CrossLink $link, array $from, array $to, int $nth, int $of, float $thick): LinkStroke
    {
        $this->count++;
        // All is reckoned from the corner of the box where it begins.
        [, $x, $y] = $from;
        $from = [$from[0], 0.0, 0.0];
        $to = [$to[0], Surroundings::rounded($to[1] - $x), Surroundings::rounded($to[2] - $y)];
        [$a, $b] = [$this->portsOf($from), $this->portsOf($to)];
        $this->around = new Surroundings($this->ground, $x, $y);
        $this->ways = new WayFinder($this->around);
        $key = hash('xxh128', serialize([$a, $b, $link->fields(), $from[0]->topic->id, $to[0]->topic->id, $from[0]->w, $from[0]->h, $to[0]->w, $to[0]->h, $nth, $of, $this->count <= self::MOST_AROUND]));
        /** @var array{pieces: non-empty-list<list<array{float, float}>>, from: string, to: string, isClear: bool}|null $line */
        $line = $this->known->recall($link->id, $key, $this->around);
        if ($line === null) {
            $line = $this->found($link, $from, $to, $a, $b, $nth, $of);
            $this->known->learn($link->id, $key, $this->around, $line);
        }
        $this->use($from, $line['from']);
        $this->use($to, $line['to']);

        return $this->withHeads($link, Stroke::moved($line['pieces'], $x, $y), $line['isClear'], $thick);
    }

    /**
     * @param  End  $from
     * @param  End  $to
     * @param  non-empty-list<Port>  $a
     * @param  non-empty-list<Port>  $b
     * @return array{pieces: non-empty-list<list<array{float, float}>>, from: string, to: string, isClear: bool}
     */
    private function found(CrossLink $link, array $from, array $to, array $a, array $b, int $nth, int $of): array
    {
        $own = [$from[0]->topic->id => true, $to[0]->topic->id => true];
        $aside = $nth - ($of - 1) / 2;
        $through = $this->bow($link, $from, $to) ?? $this->spread($from, $to, $aside, $own, $link->text('from') > $link->text('to'));
        $isByHand = $link->number('bendBy') !== null;
        $way = $through === null ? $this->way($link, $a, $b, $own, $nth * self::SPREAD / 2) : $this->wayThrough($a, $b, $own, $through, $isByHand);

        return ['pieces' => $this->stroke($link, $way, $through !== null, $own)->plain(), 'from' => $way['from']->name, 'to' => $way['to']->name, 'isClear' => $way['isClear']];
    }

    /**
     * @param  End  $end
     * @return non-empty-list<Port>
     */
    private function portsOf(array $end): array
    {
        [$slip, $x, $y] = $end;
        $used = $this->used[$slip->topic->id] ?? [];
        $ports = Port::of($slip, $x, $y);

        return $used === [] ? $ports : array_map(fn (Port $port): Port => isset($used[$port->name]) ? $port->costing($used[$port->name]) : $port, $ports);
    }

    /** @param  End  $end */
    private function use(array $end, string $port): void
    {
        $id = $end[0]->topic->id;
        $this->used[$id][$port] = ($this->used[$id][$port] ?? 0.0) + self::USED;
    }

    /**
     * @param  non-empty-list<Port>  $a
     * @param  non-empty-list<Port>  $b
     * @param  array<string, true>  $own
     * @return Way
     */
    private function way(CrossLink $link, array $a, array $b, array $own, float $wider): array
    {
        $cornered = $link->text('form') === 'corner' && $this->count <= self::MOST_AROUND && ! WayFinder::isFar($a[0]->x, $a[0]->y, $b[0]->x, $b[0]->y) ? (new CornerFinder($this->around))->find($a, $b, $own) : null;

        return $cornered ?? $this->ways->find($a, $b, $own, $this->count <= self::MOST_AROUND, $wider);
    }

    /**
     * The point by which a person bent it.
     *
     * @param  End  $from
     * @param  End  $to
     * @return array{float, float}|null
     */
    private function bow(CrossLink $link, array $from, array $to): ?array
    {
        [$at, $by] = [$link->number('bendAt'), $link->number('bendBy')];
        if ($at === null || $by === null) {
            return null;
        }
        [[$ax, $ay], [$bx, $by2]] = [self::middle($from), self::middle($to)];
        $length = max(1.0, hypot($bx - $ax, $by2 - $ay));

        return [$ax + ($bx - $ax) * $at / 1000 - ($by2 - $ay) / $length * $by, $ay + ($by2 - $ay) * $at / 1000 + ($bx - $ax) / $length * $by];
    }

    /**
     * A point beside the straight line, for those that tie the same two; null for the one in the middle, and where there
     * is no room.
     *
     * @param  End  $from
     * @param  End  $to
     * @param  array<string, true>  $own
     * @return array{float, float}|null
     */
    private function spread(array $from, array $to, float $aside, array $own, bool $isBack): ?array
    {
        if ($aside === 0.0) {
            return null;
        }
        [[$ax, $ay], [$bx, $by]] = $isBack ? [self::middle($to), self::middle($from)] : [self::middle($from), self::middle($to)];
        $length = max(1.0, hypot($bx - $ax, $by - $ay));
        $out = self::SPREAD * $aside;
        [$x, $y] = [($ax + $bx) / 2 - ($by - $ay) / $length * $out, ($ay + $by) / 2 + ($bx - $ax) / $length * $out];

        return $this->ways->isFree($x, $y, $x, $y, [], 6.0) && $this->ways->isFree($ax, $ay, $x, $y, $own) && $this->ways->isFree($x, $y, $bx, $by, $own) ? [$x, $y] : null;
    }

    /**
     * @param  End  $end
     * @return array{float, float}
     */
    private static function middle(array $end): array
    {
        return [$end[1] + $end[0]->w / 2, $end[2] + $end[0]->h / 2];
    }

    /**
     * @param  non-empty-list<Port>  $a
     * @param  non-empty-list<Port>  $b
     * @param  array<string, true>  $own
     * @param  array{float, float}  $through
     * @return Way
     */
    private function wayThrough(array $a, array $b, array $own, array $through, bool $isByHand): array
    {
        $point = [Port::through(...$through)];
        // Where a person put it, it goes; around others only where it can.
        $isAround = $isByHand && $this->count <= self::MOST_AROUND;
        [$first, $second] = [$this->ways->find($a, $point, $own, $isAround), $this->ways->find($point, $b, $own, $isAround)];

        return ['points' => [...$first['points'], ...array_slice($second['points'], 1)], 'from' => $first['from'], 'to' => $second['to'], 'isClear' => $first['isClear'] && $second['isClear']];
    }

    /**
     * @param  Way  $way
     * @param  array<string, true>  $own
     */
    private function stroke(CrossLink $link, array $way, bool $isBent, array $own): Stroke
    {
        $points = $way['points'];
        $form = $link->text('form');
        if ($form === 'corner' || $form === 'straight') {
            return Stroke::rounded($points, $form === 'corner' ? self::ROUND_CORNER : 3.0);
        }
        if (count($points) === 2 || (count($points) === 3 && $isBent)) {
            $curve = $this->curve($way, $own);
            if ($curve !== null) {
                return $curve;
            }
        }

        return Stroke::rounded($points, $isBent ? self::ROUND_BENT : self::ROUND);
    }

    /**
     * A curve that leaves both outlines straight, and goes by the point in the middle if there is one; null where that
     * would go through something.
     *
     * @param  Way  $way
     * @param  array<string, true>  $own
     */
    private function curve(array $way, array $own): ?Stroke
    {
        [$points, $from, $to] = [$way['points'], $way['from'], $way['to']];
        [$first, $last] = [$points[0], $points[count($points) - 1]];
        $middle = count($points) === 3 ? $points[1] : null;
        foreach ([1.0, 0.5, 0.2] as $part) {
            $stroke = new Stroke($first);
            if ($middle === null) {
                $lean = min(self::LEAN[1], hypot($last[0] - $first[0], $last[1] - $first[1]) * self::LEAN[0]) * $part;
                $stroke->curve([$first[0] + $from->nx * $lean, $first[1] + $from->ny * $lean], [$last[0] + $to->nx * $lean, $last[1] + $to->ny * $lean], $last);
            } else {
                // In the middle it runs as the straight line between both ends would.
                $length = max(1.0, hypot($last[0] - $first[0], $last[1] - $first[1]));
                [$dx, $dy] = [($last[0] - $first[0]) / $length, ($last[1] - $first[1]) / $length];
                [$l, $r] = [hypot($middle[0] - $first[0], $middle[1] - $first[1]) * self::LEAN[0] * $part, hypot($last[0] - $middle[0], $last[1] - $middle[1]) * self::LEAN[0] * $part];
                $stroke->curve([$first[0] + $from->nx * $l * 0.7, $first[1] + $from->ny * $l * 0.7], [$middle[0] - $dx * $l, $middle[1] - $dy * $l], $middle)
                    ->curve([$middle[0] + $dx * $r, $middle[1] + $dy * $r], [$last[0] + $to->nx * $r * 0.7, $last[1] + $to->ny * $r * 0.7], $last);
            }
            if ($this->isClear($stroke, $own) || (! $way['isClear'] && $part === 1.0)) {
                return $stroke;
            }
        }

        return null;
    }

    /** @param  array<string, true>  $own */
    private function isClear(Stroke $stroke, array $own): bool
    {
        [$left, $top, $right, $bottom] = $stroke->bounds();
        if (WayFinder::isFar($left, $top, $right, $bottom)) {
            return true;
        }
        if (($right - $left) * ($bottom - $top) > self::WIDE) {
            // Along it, since most of what is around a long one does not matter.
            for ($i = 1, $count = count($stroke->points); $i < $count; $i++) {
                if (! $this->ways->isFree($stroke->points[$i - 1][0], $stroke->points[$i - 1][1], $stroke->points[$i][0], $stroke->points[$i][1], $own, 2.0)) {
                    return false;
                }
            }

            return true;
        }
        foreach (array_diff_key($this->around->boxesIn($left - 2, $top - 2, $right + 2, $bottom + 2), $own) as $box) {
            if ($stroke->cuts($box, 2.0)) {
                return false;
            }
        }

        return true;
    }

    /**
     * One whose way is decided.
     *
     * @param  array{points: non-empty-list<array{float, float}>, words: array{float, float}|null}  $way
     */
    public function along(CrossLink $link, array $way, float $thick): LinkStroke
    {
        return $this->withHeads($link, Stroke::rounded($way['points'], self::ROUND_CORNER), true, $thick, $way['words']);
    }

    /** @param  array{float, float}|null  $words */
    private function withHeads(CrossLink $link, Stroke $stroke, bool $isClear, float $thick, ?array $words = null): LinkStroke
    {
        $heads = $link->text('heads');
        $paths = [];
        $points = $stroke->points;
        if ($heads !== 'none') {
            $paths[] = self::head($points, $thick);
        }
        if ($heads === 'both') {
            $paths[] = self::head(array_reverse($points), $thick);
        }

        return new LinkStroke($stroke, $paths, $isClear, $words);
    }

    /**
     * @param  non-empty-list<array{float, float}>  $points  at the last of which it stands
     */
    private static function head(array $points, float $thick): string
    {
        [$x, $y] = $points[count($points) - 1];
        $long = 7.0 + 1.8 * $thick;
        // As the line runs over the length of the head, so that it does not sit askew on a bend.
        for ($i = count($points) - 2; $i > 0 && hypot($points[$i][0] - $x, $points[$i][1] - $y) < $long; $i--);
        [$dx, $dy] = [$x - $points[max(0, $i)][0], $y - $points[max(0, $i)][1]];
        $length = max(0.01, hypot($dx, $dy));
        [$dx, $dy] = [$dx / $length, $dy / $length];
        $wide = 3.0 + 1.1 * $thick;
        [$bx, $by] = [$x - $dx * $long, $y - $dy * $long];
        $corner = fn (float $side): string => round($bx - $dy * $wide * $side, 1).' '.round($by + $dx * $wide * $side, 1);
        $notch = round($bx + $dx * $long * 0.28, 1).' '.round($by + $dy * $long * 0.28, 1);

        return 'M'.round($x, 1).' '.round($y, 1)."L{$corner(1)}L{$notch}L{$corner(-1)}Z";
    }
}
