<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

use ChalkTree\Map\Topic;

/**
 * Subtopics all around their parent: clockwise, the first half at its right from above to below, the rest at its left
 * from below to above, each half along an ellipse. Every one has a band of rows to itself, and what is nearer to the
 * middle stands farther out, so that the straight lines to them cross nothing.
 */
final readonly class Round implements Arrangement
{
    /** How wide the ellipse is, of its height. */
    private const WIDE = 0.6;

    /** From the middle line to what stands above or below the parent. */
    private const MIDDLE = 14;

    private const GAP = 8;

    public static function name(): string
    {
        return 'round';
    }

    public function growth(Slip $head, Topic $child, int $index, int $count, ?Place $put = null): Growth
    {
        return 2 * $index < $count ? Growth::Right : Growth::Left;
    }

    public function handsDown(Growth $growth): string
    {
        return $growth === Growth::Left ? Leftward::name() : Rightward::name();
    }

    public function enters(Growth $growth): Growth
    {
        return $growth->isSideways() ? Growth::Down : $growth;
    }

    public function opens(): Growth
    {
        return Growth::Right;
    }

    public function isMirrorable(): bool
    {
        return true;
    }

    public function hasAxis(): bool
    {
        return false;
    }

    public function siblings(): Siblings
    {
        return Siblings::Apart;
    }

    public function phrases(): PhraseWay
    {
        return PhraseWay::Strip;
    }

    public function levels(): int
    {
        return 1;
    }

    public function place(Slip $slip, array $children, array $below): void
    {
        $slip->closeUp();
        $halves = [1 => [], -1 => []];
        foreach ($children as $child) {
            $halves[$child->growth === Growth::Left ? -1 : 1][] = $child;
        }
        foreach ($halves as $sign => $half) {
            // Clockwise, so the left half goes upwards.
            $this->half($slip, $sign < 0 ? array_reverse($half) : $half, $sign);
        }
        // Connectors from above come in at its middle, so nothing may stand there.
        $slip->top = $slip->bottom = max($slip->top, $slip->bottom);
    }

    /** @param  list<Slip>  $half  from above to below */
    private function half(Slip $slip, array $half, int $sign): void
    {
        $total = -self::GAP;
        foreach ($half as $child) {
            $total += self::band($child) + self::GAP;
        }
        $at = -$total / 2;
        [$ry, $reach] = [max(1.0, $total / 2), $half === [] ? 0 : $half[0]->look->spacing->reach];
        foreach ($half as $child) {
            $band = self::band($child);
            // The row of the band that is nearest to the middle decides how far out it stands.
            $near = $at > 0 ? $at : min(0.0, $at + $band);
            $far = sqrt(max(0.0, 1 - ($near / $ry) ** 2)) * $ry * self::WIDE;
            $least = abs($near) < $slip->h / 2 + self::GAP ? $slip->w / 2 + $reach : self::MIDDLE;
            $this->stand($slip, $child, $at, $sign, ceil(max($far, $least)) + $child->apartX);
            $at += $band + self::GAP;
            $slip->embrace($child);
        }
    }

    private static function band(Slip $child): float
    {
        return $child->top + $child->h + $child->bottom + self::lane($child) + abs($child->apartY);
    }

    private static function lane(Slip $child): int
    {
        return $child->enters === Growth::Down ? Bands::LANE : 0;
    }

    /**
     * @param  float  $top  of its band, from the parent's middle
     * @param  float  $out  from there to its branch
     */
    private function stand(Slip $slip, Slip $child, float $top, int $sign, float $out): void
    {
        [$cx, $cy] = [$slip->w / 2, $slip->h / 2];
        $child->y = $cy + $top + max(0, $child->apartY) + self::lane($child) + $child->top;
        $near = $sign > 0 ? $child->left : $child->right;
        $child->x = $sign > 0 ? $cx + $out + $near : $cx - $out - $near - $child->w;
        $child->leaves = $child->growth;
        $child->isCurved = true;
        $child->isDirect = true;
        $child->isWinding = true;
        $edge = $sign > 0 ? 0.0 : $child->w;
        $isFromTop = self::lane($child) > 0;
        $row = $isFromTop ? -$child->top - Bands::LANE / 2 : $child->h / 2;
        // Straight to where its branch begins, then within its own band.
        $end = $edge - $sign * $near;
        $from = Outline::leave($slip, $child->x + $end, $child->y + $row);
        $child->route = [$from[0] - $child->x, $from[1] - $child->y, $end, $row];
        if ($isFromTop) {
            array_push($child->route, $child->w / 2, $row, $child->w / 2, 0.0);
        } elseif ($near > 0.0) {
            array_push($child->route, $edge, $row);
        }
    }
}
