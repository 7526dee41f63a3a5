<?php

declare(strict_types=1);

namespace ChalkTree\Route;

use ChalkTree\Arrange\Ground;
use SplPriorityQueue;

/**
 * The ways between points that see each other past some boxes: by the corners of these, a little outside. More boxes can
 * be taken in between one search and the next; what was found out about the others holds.
 *
 * @phpstan-import-type Rect from Ground
 */
final class Visibility
{
    /** How near one may come to the boxes at the ends. */
    private const NEAR_OWN = 2.0;

    /** Rather a good way soon than the very best one: by so much more counts what is left. */
    private const HASTE = 1.25;

    private const TURN = 18.0;

    /** @var list<Rect> what stands in the way, made larger by how near one may come to it */
    private array $boxes = [];

    /** @var list<array{float, float}> the points by which a way may go; the ends before the corners */
    private array $points = [];

    /** @var array<int, int> of points that are corners: 1 for upper left and lower right, -1 for the two others */
    private array $corners = [];

    /** @var array<int, true> points that stand inside a box */
    private array $buried = [];

    /** @var array<int, int> by both points: how many boxes they were held to and see each other past, or -1 */
    private array $seen = [];

    private int $starts;

    private int $ends;

    /**
     * @param  non-empty-list<Port>  $from  where it may begin, a little way out
     * @param  non-empty-list<Port>  $to
     * @param  array<string, true>  $own  the ids of the boxes at the ends
     * @param  float  $clear  how far one stays away from the others
     */
    public function __construct(private readonly array $from, private readonly array $to, private readonly array $own, private readonly float $clear)
    {
        foreach ([...$from, ...$to] as $port) {
            $this->points[] = [$port->x, $port->y];
        }
        [$this->starts, $this->ends] = [count($from), count($from) + count($to)];
    }

    /** @param  array<string, Rect>  $boxes  by id */
    public function add(array $boxes): void
    {
        $fresh = [];
        foreach ($boxes as $id => [$left, $top, $right, $bottom]) {
            $near = isset($this->own[$id]) ? self::NEAR_OWN : $this->clear - 0.5;
            $fresh[] = [$left - $near, $top - $near, $right + $near, $bottom + $near];
        }
        foreach ($this->points as $n => $point) {
            if (! isset($this->buried[$n]) && self::isInside($point, $fresh)) {
                $this->buried[$n] = true;
            }
        }
        array_push($this->boxes, ...$fresh);
        $c = $this->clear;
        foreach ($boxes as $box) {
            foreach ([[$box[0] - $c, $box[1] - $c], [$box[2] + $c, $box[1] - $c], [$box[2] + $c, $box[3] + $c], [$box[0] - $c, $box[3] + $c]] as $n => $corner) {
                if (! self::isInside($corner, $this->boxes)) {
                    $this->corners[count($this->points)] = $n % 2 === 0 ? 1 : -1;
                    $this->points[] = $corner;
                }
            }
        }
    }

    /**
     * @param  float  $longest  pixels
     * @return array{non-empty-list<array{float, float}>, int, int}|null the points from one to the other, and which of the places these are
     */
    public function shortest(float $longest): ?array
    {
        [$gx, $gy] = $this->points[$this->starts];
        // What is left at the least: the goals lie around one box.
        $slack = 0.0;
        for ($n = $this->starts; $n < $this->ends; $n++) {
            $slack = max($slack, hypot($this->points[$n][0] - $gx, $this->points[$n][1] - $gy));
        }
        /** @var SplPriorityQueue<float, array{int, int, float}> $queue of points, those before them, and what it costs to come there */
        $queue = new SplPriorityQueue;
        foreach ($this->from as $n => $port) {
            if (! isset($this->buried[$n])) {
                $queue->insert([$n, -1, $port->cost], -$port->cost);
            }
        }
        $before = [];
        while (! $queue->isEmpty()) {
            /** @var array{int, int, float} $next */
            $next = $queue->extract();
            [$at, $last, $cost] = $next;
            // Whether they see each other is asked only of the few that matter.
            if (isset($before[$at]) || ($last >= 0 && ! $this->sees($last, $at))) {
                continue;
            }
            $before[$at] = $last;
            if ($at >= $this->starts && $at < $this->ends) {
                return $this->traced($at, $before);
            }
            [$x, $y] = $this->points[$at];
            [$fx, $fy] = $last >= 0 ? [$x - $this->points[$last][0], $y - $this->points[$last][1]] : [$this->from[$at]->nx, $this->from[$at]->ny];
            $f = max(0.001, hypot($fx, $fy));
            $corner = $this->corners[$at] ?? 0;
            foreach ($this->points as $n => [$px, $py]) {
                // A way only ever bends around a corner, so it has to pass by all of its box.
                $slope = ($px - $x) * ($py - $y);
                if ($n < $this->starts || isset($before[$n]) || isset($this->buried[$n]) || $slope * $corner > 0.0 || $slope * ($this->corners[$n] ?? 0) > 0.0) {
                    continue;
                }
                $length = hypot($px - $x, $py - $y);
                $new = $cost + $length;
                $left = hypot($gx - $px, $gy - $py) - $slack;
                if ($length < 0.01 || $new + max(0.0, $left) > $longest) {
                    continue;
                }
                $new += (1 - (($px - $x) * $fx + ($py - $y) * $fy) / ($length * $f)) * self::TURN;
                if ($n < $this->ends) {
                    $goal = $this->to[$n - $this->starts];
                    $new += $goal->cost + (1 + (($px - $x) * $goal->nx + ($py - $y) * $goal->ny) / $length) * self::TURN;
                }
                $queue->insert([$n, $at, $new], -$new - self::HASTE * max(0.0, $left));
            }
        }

        return null;
    }

    /**
     * @param  array<int, int>  $before
     * @return array{non-empty-list<array{float, float}>, int, int}
     */
    private function traced(int $goal, array $before): array
    {
        $way = [$this->points[$goal]];
        for ($at = $goal; $before[$at] >= 0; $at = $before[$at]) {
            array_unshift($way, $this->points[$before[$at]]);
        }

        return [$way, $at, $goal - $this->starts];
    }

    /**
     * @param  array{float, float}  $point
     * @param  list<Rect>  $boxes
     */
    private static function isInside(array $point, array $boxes): bool
    {
        [$x, $y] = $point;
        foreach ($boxes as [$left, $top, $right, $bottom]) {
            if ($x > $left && $x < $right && $y > $top && $y < $bottom) {
                return true;
            }
        }

        return false;
    }

    private function sees(int $a, int $b): bool
    {
        $key = $a < $b ? $a << 16 | $b : $b << 16 | $a;
        $held = $this->seen[$key] ?? 0;
        [[$x0, $y0], [$x1, $y1]] = [$this->points[$a], $this->points[$b]];
        for ($count = count($this->boxes); $held >= 0 && $held < $count; $held++) {
            if (Ground::cuts($x0, $y0, $x1, $y1, $this->boxes[$held], 0.0)) {
                $held = -2;
            }
        }
        $this->seen[$key] = $held;

        return $held >= 0;
    }
}
