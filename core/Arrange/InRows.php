<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

use ChalkTree\Flow\FlowBox;
use ChalkTree\Flow\FlowChart;
use ChalkTree\Flow\FlowLine;
use ChalkTree\Flow\KnownCharts;
use ChalkTree\Map\Topic;
use ChalkTree\Shape\Rhombus;

/**
 * What flows have in common, whichever way they run: the head leads to those steps to which no other does, these to the
 * next, and so on in rows. What nothing is tied to waits beside the chart.
 *
 * The chart is reckoned as running down; where it runs across, everything is turned over.
 */
trait InRows
{
    /** Beside the chart, between the stem and what waits there, and between two of these. */
    private const ASIDE = 30;

    private const STEM = 22;

    private const APART = 14;

    abstract private function isAcross(): bool;

    public function growth(Slip $head, Topic $child, int $index, int $count, ?Place $put = null): Growth
    {
        return $this->isAcross() ? Growth::Right : Growth::Down;
    }

    /** The chart is below it or at its right, and what waits at the other of the two. */
    public function enters(Growth $growth): Growth
    {
        return match ($growth) {
            Growth::Left => Growth::Down,
            Growth::Up => Growth::Right,
            default => $growth,
        };
    }

    public function hasAxis(): bool
    {
        return true;
    }

    public function isMirrorable(): bool
    {
        return true;
    }

    public function siblings(): Siblings
    {
        return Siblings::Apart;
    }

    public function phrases(): PhraseWay
    {
        return PhraseWay::InBox;
    }

    public function levels(): int
    {
        return 1;
    }

    public function place(Slip $slip, array $children, array $below): void
    {
        $slip->closeUp();
        $slip->ways = [];
        if ($children === []) {
            return;
        }
        $named = [];
        foreach ($children as $child) {
            $named[$child->topic->id] = $child;
        }
        $ties = array_values(array_filter($slip->ties?->below($slip->topic->id) ?? [], fn (Tie $tie): bool => isset($named[$tie->from], $named[$tie->to])));
        [$steps, $waiting] = $this->sorted($children, $ties);
        $firsts = $this->firsts($steps, $ties);
        $chart = ($slip->ties->charts ?? new KnownCharts)->of($slip->topic->id, [$this->box($slip, true), ...array_map(fn (Slip $step): FlowBox => $this->box($step, false), $steps)], [
            ...array_map(fn (string $id): FlowLine => new FlowLine("to {$id}", '', $id), $firsts),
            ...array_map(fn (Tie $tie): FlowLine => new FlowLine($tie->id, $tie->from, $tie->to, $this->isAcross() ? $tie->h : $tie->w, $this->isAcross() ? $tie->w : $tie->h), $ties),
        ]);
        $this->stand($slip, $named, $steps, $chart, array_flip($firsts));
        foreach ($ties as $tie) {
            $this->lead($slip, $named[$tie->from], $named[$tie->to], $tie->id, $chart);
        }
        $this->letWait($slip, $waiting, $chart);
        [$left, $top, $right, $bottom] = $chart->bounds;
        [$x0, $y0] = $this->at($slip, $chart, [$left, $top]);
        [$x1, $y1] = $this->at($slip, $chart, [$right, $bottom]);
        $slip->reachTo($x0, $y0, $x1 - $x0, $y1 - $y0);
        array_map($slip->embrace(...), $children);
    }

    /**
     * @param  list<Slip>  $children
     * @param  list<Tie>  $ties
     * @return array{list<Slip>, list<Slip>} those that are tied to another, and those that are not
     */
    private function sorted(array $children, array $ties): array
    {
        $tied = [];
        foreach ($ties as $tie) {
            $tied[$tie->from] = $tied[$tie->to] = true;
        }
        // One alone is where it begins.
        $tied = $tied === [] ? [$children[0]->topic->id => true] : $tied;
        $isStep = fn (Slip $child): bool => isset($tied[$child->topic->id]);

        return [array_values(array_filter($children, $isStep)), array_values(array_filter($children, fn (Slip $child): bool => ! $isStep($child)))];
    }

    /**
     * @param  list<Slip>  $steps
     * @param  list<Tie>  $ties
     * @return list<string> those to which the head leads, so that all can be reached from there
     */
    private function firsts(array $steps, array $ties): array
    {
        $next = $led = $reached = $firsts = [];
        foreach ($ties as $tie) {
            $next[$tie->from][] = $tie->to;
            $led[$tie->to] = true;
        }
        // Where each has one before it they go round in a ring, and the first of them begins.
        foreach ([true, false] as $isFirstRound) {
            foreach ($steps as $step) {
                $id = $step->topic->id;
                if (isset($reached[$id]) || ($isFirstRound && isset($led[$id]))) {
                    continue;
                }
                $firsts[] = $id;
                $stack = [$id];
                while (($at = array_pop($stack)) !== null) {
                    if (! isset($reached[$at])) {
                        $reached[$at] = true;
                        array_push($stack, ...($next[$at] ?? []));
                    }
                }
            }
        }

        return $firsts;
    }

    private function box(Slip $slip, bool $isHead): FlowBox
    {
        [$left, $top, $right, $bottom] = $isHead ? [0.0, 0.0, 0.0, 0.0] : [$slip->left, $slip->top, $slip->right, $slip->bottom];
        [$x, $y] = [$slip->w / 2, $slip->h / 2];
        $isPointed = $slip->look->box->shape() instanceof Rhombus;
        $id = $isHead ? '' : $slip->topic->id;

        return $this->isAcross()
            ? new FlowBox($id, $slip->h, $slip->w, $y + $top, $y + $bottom, $x + $left, $x + $right, $isPointed, $top <= 0.0, $bottom <= 0.0)
            : new FlowBox($id, $slip->w, $slip->h, $x + $left, $x + $right, $y + $top, $y + $bottom, $isPointed, $left <= 0.0, $right <= 0.0);
    }

    /**
     * A place of the chart from the corner of the head's box.
     *
     * @param  array{float, float}  $point
     * @return array{float, float}
     */
    private function at(Slip $slip, FlowChart $chart, array $point): array
    {
        [$x, $y] = [$point[0] - $chart->places[''][0], $point[1] - $chart->places[''][1]];

        return $this->isAcross() ? [$slip->w / 2 + $y, $slip->h / 2 + $x] : [$slip->w / 2 + $x, $slip->h / 2 + $y];
    }

    /**
     * @param  array<string, Slip>  $named
     * @param  list<Slip>  $steps
     * @param  array<string, int>  $firsts
     */
    private function stand(Slip $slip, array $named, array $steps, FlowChart $chart, array $firsts): void
    {
        foreach ($steps as $step) {
            [$x, $y] = $this->at($slip, $chart, $chart->places[$step->topic->id]);
            [$step->x, $step->y] = [$x - $step->w / 2, $y - $step->h / 2];
            $step->leaves = $this->isAcross() ? Growth::Right : Growth::Down;
            $step->isCurved = false;
            $step->isWinding = true;
            $step->route = [];
            foreach (isset($firsts[$step->topic->id]) ? $chart->ways["to {$step->topic->id}"] : [] as $point) {
                [$x, $y] = $this->at($slip, $chart, $point);
                array_push($step->route, $x - $step->x, $y - $step->y);
            }
        }
    }

    /** Keeps the way of a tie, from outline to outline. */
    private function lead(Slip $slip, Slip $from, Slip $to, string $id, FlowChart $chart): void
    {
        $points = array_map(fn (array $point): array => $this->at($slip, $chart, $point), $chart->ways[$id]);
        $last = count($points) - 1;
        if ($last > 0) {
            $points[0] = self::onOutline($from, $points[0], $points[1]);
            $points[$last] = self::onOutline($to, $points[$last], $points[$last - 1]);
        }
        $slip->ways[$id] = ['points' => $points, 'words' => isset($chart->words[$id]) ? $this->at($slip, $chart, $chart->words[$id]) : null];
    }

    /**
     * Brings the end of a way from the edge of the box to the outline in it.
     *
     * @param  array{float, float}  $end
     * @param  array{float, float}  $next
     * @return array{float, float}
     */
    private static function onOutline(Slip $slip, array $end, array $next): array
    {
        $shape = $slip->look->box->shape();
        if ($shape->isFull()) {
            return $end;
        }
        $edge = match (true) {
            $next[0] > $end[0] + 0.05 => Growth::Right,
            $next[0] < $end[0] - 0.05 => Growth::Left,
            $next[1] > $end[1] => Growth::Down,
            default => Growth::Up,
        };
        $inset = $edge->sign() * $shape->inset($slip->w, $slip->h, $edge, $edge->isSideways() ? $end[1] - $slip->y : $end[0] - $slip->x);

        return $edge->isSideways() ? [$end[0] - $inset, $end[1]] : [$end[0], $end[1] - $inset];
    }

    /**
     * In a column beside the chart, or in a row below it, each tied to the head by a stem.
     *
     * @param  list<Slip>  $waiting
     */
    private function letWait(Slip $slip, array $waiting, FlowChart $chart): void
    {
        $isAcross = $this->isAcross();
        [$x, $y] = $this->at($slip, $chart, [$chart->bounds[2], $chart->bounds[1]]);
        // Along the stem, and away from it.
        $stem = max($isAcross ? $y : $x, $isAcross ? $slip->h : $slip->w) + self::ASIDE;
        $at = (float) ($isAcross ? $slip->w : $slip->h);
        foreach ($waiting as $child) {
            [$child->leaves, $child->isCurved, $child->isWinding] = [$isAcross ? Growth::Down : Growth::Right, false, true];
            // It comes in as the steps do.
            if ($isAcross) {
                [$child->x, $child->y] = [$at + self::STEM + $child->left, $stem + self::STEM + $child->top];
                $at = $child->x + $child->w + $child->right;
                $points = [$slip->w / 2, $slip->h, $slip->w / 2, $stem, $child->x - $child->left - self::STEM / 2, $stem, $child->x - $child->left - self::STEM / 2, $child->y + $child->h / 2, $child->x, $child->y + $child->h / 2];
            } else {
                [$child->x, $child->y] = [$stem + self::APART + $child->left, $at + self::STEM + $child->top];
                $at = $child->y + $child->h + $child->bottom;
                $lane = $child->y - $child->top - self::STEM / 2;
                $points = [$slip->w, $slip->h / 2, $stem, $slip->h / 2, $stem, $lane, $child->x + $child->w / 2, $lane, $child->x + $child->w / 2, $child->y];
            }
            $child->route = [];
            foreach (array_chunk($points, 2) as [$px, $py]) {
                array_push($child->route, $px - $child->x, $py - $child->y);
            }
        }
    }
}
