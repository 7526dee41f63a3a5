<?php

declare(strict_types=1);

namespace ChalkTree\Route;

/**
 * Finds the way of a line between two boxes that goes around all others: straight where nothing stands in between, else
 * the shortest way by the corners of what does (a visibility graph, searched by A*; obstacles are taken in as ways turn
 * out to cross them, so that only those are looked at that matter).
 *
 * @phpstan-import-type Rect from \ChalkTree\Arrange\Ground
 *
 * @phpstan-type Way array{points: non-empty-list<array{float, float}>, from: Port, to: Port, isClear: bool}
 */
final class WayFinder
{
    /** How near a line comes to boxes, pixels; the second where there is no way at the first. */
    private const CLEAR = [8.0, 2.6];

    /** A line that leaves at a flatter angle than this cosine is no straight one. */
    private const FLAT = 0.34;

    /** A little way straight out before it turns. */
    private const OUT = 9.0;

    /** What a turn of a right angle costs, pixels of way. */
    private const TURN = 18.0;

    /** No way may be longer than the straight one by this factor and so many pixels. */
    private const LONGEST = [2.2, 160.0];

    /** A straight line longer than this nobody follows around others either. */
    private const FARTHEST = 16000.0;

    /** Of the places at an outline so many are tried. */
    private const PORTS = 5;

    /** After so many obstacles it is given up; nobody follows a line around more. */
    private const MOST = 64;

    /** How far around an obstacle others are taken in with it. */
    private const WITH = 26.0;

    public function __construct(private readonly Surroundings $around)
    {
    }

    /**
     * @param  non-empty-list<Port>  $from
     * @param  non-empty-list<Port>  $to
     * @param  array<string, true>  $own  the ids of the boxes at both ends
     * @param  bool  $isAround  whether it may go around what is in the way
     * @param  float  $wider  how much farther it stays away from what it goes around, if there is room, pixels
     * @return Way not clear where there is none of a reasonable length
     */
    public function find(array $from, array $to, array $own, bool $isAround = true, float $wider = 0.0): array
    {
        [$from, $to] = [self::facing($from, $to[0]), self::facing($to, $from[0])];
        $pairs = [];
        foreach ($from as $i => $a) {
            foreach ($to as $j => $b) {
                [$out, $in] = [$a->towards($b->x, $b->y), $b->towards($a->x, $a->y)];
                $length = hypot($b->x - $a->x, $b->y - $a->y);
                $pairs["{$i} {$j}"] = $length + $a->cost + $b->cost + self::bend($out) + self::bend($in) + (min($out, $in) < self::FLAT ? 1000.0 : 0.0);
            }
        }
        asort($pairs);
        if (self::isFar($from[0]->x, $from[0]->y, $to[0]->x, $to[0]->y)) {
            [$a, $b] = self::pair($from, $to, (string) array_key_first($pairs));

            return ['points' => [[$a->x, $a->y], [$b->x, $b->y]], 'from' => $a, 'to' => $b, 'isClear' => false];
        }
        $best = null;
        foreach ($pairs as $key => $cost) {
            [$a, $b] = self::pair($from, $to, $key);
            if ($cost > 1000.0 + $pairs[array_key_first($pairs)] || min($a->towards($b->x, $b->y), $b->towards($a->x, $a->y)) < self::FLAT) {
                break;
            }
            if ($this->isFree($a->x, $a->y, $b->x, $b->y, $own)) {
                $best = $cost;
                break;
            }
        }
        $straight = hypot($from[0]->x - $to[0]->x, $from[0]->y - $to[0]->y);
        if ($best !== null && isset($a, $b) && $best <= 1.3 * $pairs[array_key_first($pairs)] + 40.0) {
            return ['points' => [[$a->x, $a->y], [$b->x, $b->y]], 'from' => $a, 'to' => $b, 'isClear' => true];
        }
        foreach ($isAround ? array_unique([self::CLEAR[0] + $wider, ...self::CLEAR]) : [] as $clear) {
            $way = $this->around($from, $to, $own, $clear, self::LONGEST[0] * $straight + self::LONGEST[1]);
            if ($way !== null) {
                return $way;
            }
        }
        [$a, $b] = $best !== null && isset($a, $b) ? [$a, $b] : self::pair($from, $to, (string) array_key_first($pairs));

        return ['points' => [[$a->x, $a->y], [$b->x, $b->y]], 'from' => $a, 'to' => $b, 'isClear' => $best !== null];
    }

    /** Whether two points are so far from each other that it is not even looked at what is in between. */
    public static function isFar(float $x0, float $y0, float $x1, float $y1): bool
    {
        return hypot($x1 - $x0, $y1 - $y0) >= self::FARTHEST;
    }

    /**
     * The places from which one would set out to another.
     *
     * @param  non-empty-list<Port>  $ports
     * @return non-empty-list<Port>
     */
    public static function facing(array $ports, Port $to): array
    {
        usort($ports, fn (Port $a, Port $b): int => $a->cost + self::bend($a->towards($to->x, $to->y)) <=> $b->cost + self::bend($b->towards($to->x, $to->y)));
        // One at each side in any case: there may be no room at others.
        $best = $more = [];
        foreach ($ports as $port) {
            if (isset($best["{$port->nx} {$port->ny}"])) {
                $more[] = $port;
            } else {
                $best["{$port->nx} {$port->ny}"] = $port;
            }
        }

        return [...array_values($best), ...array_slice($more, 0, self::PORTS - count($best))];
    }

    /**
     * Whether nothing but the boxes at the ends stands on a straight line.
     *
     * @param  array<string, true>  $own
     */
    public function isFree(float $x0, float $y0, float $x1, float $y1, array $own, float $near = self::CLEAR[1]): bool
    {
        return array_diff_key($this->around->boxesOn($x0, $y0, $x1, $y1, $near), $own) === [];
    }

    /**
     * @param  non-empty-list<Port>  $from
     * @param  non-empty-list<Port>  $to
     * @return array{Port, Port}
     */
    private static function pair(array $from, array $to, string $key): array
    {
        [$i, $j] = array_map(intval(...), explode(' ', $key));

        return [$from[$i] ?? $from[0], $to[$j] ?? $to[0]];
    }

    private static function bend(float $cosine): float
    {
        return (1 - $cosine) * self::TURN;
    }

    /**
     * @param  non-empty-list<Port>  $from
     * @param  non-empty-list<Port>  $to
     * @param  array<string, true>  $own
     * @return Way|null
     */
    private function around(array $from, array $to, array $own, float $clear, float $longest): ?array
    {
        $known = [];
        // The boxes at the ends are gone around too, a little nearer.
        foreach ([$from, $to] as $ports) {
            foreach ($this->around->boxesOn($ports[0]->x, $ports[0]->y, $ports[0]->x, $ports[0]->y, Port::AWAY + 1) as $id => $box) {
                $known += isset($own[$id]) ? [$id => $box] : [];
            }
        }
        $known += $this->with($this->around->boxesOn($from[0]->x, $from[0]->y, $to[0]->x, $to[0]->y, $clear));
        $visibility = new Visibility(array_map(fn (Port $port): Port => $port->out(self::OUT), $from), array_map(fn (Port $port): Port => $port->out(self::OUT), $to), $own, $clear);
        $fresh = $known;
        while (count($known) <= self::MOST) {
            $visibility->add($fresh);
            $way = $visibility->shortest($longest);
            if ($way === null) {
                return null;
            }
            [$points, $i, $j] = $way;
            $hits = [];
            for ($n = 1, $count = count($points); $n < $count; $n++) {
                $hits += array_diff_key($this->around->boxesOn($points[$n - 1][0], $points[$n - 1][1], $points[$n][0], $points[$n][1], $clear - 0.6), $known);
            }
            if ($hits === []) {
                return ['points' => [[$from[$i]->x, $from[$i]->y], ...$points, [$to[$j]->x, $to[$j]->y]], 'from' => $from[$i], 'to' => $to[$j], 'isClear' => true];
            }
            $fresh = array_diff_key($this->with($hits), $known);
            $known += $fresh;
        }

        return null;
    }

    /**
     * These boxes, and those right beside them: whoever goes around one comes upon the next.
     *
     * @param  array<string, Rect>  $boxes
     * @return array<string, Rect>
     */
    private function with(array $boxes): array
    {
        $all = $boxes;
        foreach ($boxes as [$left, $top, $right, $bottom]) {
            $all += $this->around->boxesIn($left - self::WITH, $top - self::WITH, $right + self::WITH, $bottom + self::WITH);
        }

        return $all;
    }
}
