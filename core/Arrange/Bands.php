<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

/**
 * Lays children out beyond an edge of their parent, one beside the other across the direction of growth, each with a
 * band to itself that nothing else enters. Nothing can overlap, a change inside a band moves only what stands in bands
 * beside it, and it is linear. A branch held apart by hand has that much more band, or stands that much farther out.
 *
 * Connectors turn in the gap between the parent and the bands, and run straight within their own.
 */
final readonly class Bands
{
    /** Above a band, for a connector that has to come in from the top. */
    public const LANE = 14;

    /** Beside a band, for a connector that has to come in from the left. */
    public const ASIDE_LANE = 16;

    /** Where siblings stand side by side they need more room between them than one above the other. */
    private const ASIDE = 12;

    private const DOWN = 0.6;

    /** @param  list<Slip>  $children */
    public function place(Slip $slip, array $children): void
    {
        $slip->closeUp();
        if ($children === []) {
            return;
        }
        $sideways = $children[0]->growth->isSideways();
        $look = $children[0]->look->spacing;
        $gap = $look->gap + ($sideways ? 0 : self::ASIDE);
        $reach = $sideways ? $look->reach : round($look->reach * self::DOWN);
        $size = $sideways ? $slip->h : $slip->w;
        $totals = [-1 => -$gap, 1 => -$gap];
        foreach ($children as $child) {
            $totals[$child->growth === Growth::Left ? -1 : 1] += self::band($child, $sideways) + $gap;
        }
        $at = [-1 => ($size - $totals[-1]) / 2, 1 => ($size - $totals[1]) / 2];
        foreach ($children as $child) {
            $sign = $child->growth === Growth::Left ? -1 : 1;
            $before = $at[$sign] + max(0, $child->apartY);
            if ($sideways) {
                $this->beside($slip, $child, $before, $sign, $reach);
            } else {
                $this->below($slip, $child, $before, $reach);
            }
            $at[$sign] += self::band($child, $sideways) + $gap;
            $slip->embrace($child);
        }
        // A box stands in the middle of its band, so that middles line up.
        if ($sideways) {
            $slip->top = $slip->bottom = max($slip->top, $slip->bottom);
        }
    }

    /** How much of the direction across a child needs. */
    private static function band(Slip $child, bool $sideways): float
    {
        $band = $sideways ? $child->top + $child->h + $child->bottom + self::lane($child) : $child->left + $child->w + $child->right + self::asideLane($child);

        return $band + abs($child->apartY);
    }

    private static function lane(Slip $child): int
    {
        return $child->enters === Growth::Down ? self::LANE : 0;
    }

    private static function asideLane(Slip $child): int
    {
        return $child->enters->isSideways() ? self::ASIDE_LANE : 0;
    }

    private function beside(Slip $slip, Slip $child, float $before, int $sign, float $reach): void
    {
        $out = $reach + $child->apartX;
        $child->y = $before + self::lane($child) + $child->top;
        $child->leaves = $child->growth;
        $child->isCurved = true;
        [$near, $edge, $from, $to] = $sign > 0 ? [$child->left, 0.0, $slip->w, 0.0] : [$child->right, -$child->w, 0.0, $child->w];
        $child->x = $edge + $from + $sign * ($out + $near);
        $turn = $from + $sign * $reach - $child->x;
        $start = $from - $child->x;
        $middle = $slip->h / 2 - $child->y;
        if ($child->enters === Growth::Down) {
            $lane = -$child->top - self::LANE / 2;
            $child->route = [$start, $middle, $turn, $lane, $child->w / 2, $lane, $child->w / 2, 0.0];
        } elseif ($near > 0.0 || $child->apartX > 0) {
            $child->route = [$start, $middle, $turn, $child->h / 2, $to, $child->h / 2];
        } else {
            $child->route = [$start, $middle, $to, $child->h / 2];
        }
    }

    private function below(Slip $slip, Slip $child, float $before, float $reach): void
    {
        $isUp = $child->growth === Growth::Up;
        $out = $reach + $child->apartX;
        $child->x = $before + $child->left + self::asideLane($child);
        $child->y = $isUp ? -$out - $child->bottom - $child->h : $slip->h + $out + $child->top;
        $child->leaves = $child->growth;
        $child->isCurved = true;
        [$from, $turn] = $isUp ? [-$child->y, -$reach - $child->y] : [$slip->h - $child->y, $slip->h + $reach - $child->y];
        $start = $slip->w / 2 - $child->x;
        if (self::asideLane($child) > 0) {
            $lane = -$child->left - self::ASIDE_LANE / 2;
            $child->route = [$start, $from, $lane, $turn, $lane, $child->h / 2, 0.0, $child->h / 2];

            return;
        }
        $child->route = [$start, $from, $child->w / 2, $turn];
        if ($isUp ? $turn > $child->h : $turn < 0.0) {
            array_push($child->route, $child->w / 2, $isUp ? $child->h : 0.0);
        }
    }
}
