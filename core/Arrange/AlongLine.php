<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

use ChalkTree\Map\Topic;

/** Subtopics along a line in their order, each on a pole of its own; what is below them as stepped lists. */
trait AlongLine
{
    /** Between the line and what stands nearest to it. */
    private const CLEAR = 18;

    /** Between two poles, at least. */
    private const STEP = 34;

    /** From a pole to what hangs on it. */
    private const POLE = 12;

    private const GAP = 22;

    public function growth(Slip $head, Topic $child, int $index, int $count, ?Place $put = null): Growth
    {
        return Growth::Right;
    }

    public function handsDown(Growth $growth): string
    {
        return SteppedList::name();
    }

    public function enters(Growth $growth): Growth
    {
        return $growth === Growth::Left ? Growth::Down : $growth;
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
        return true;
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
        if ($children === []) {
            return;
        }
        $line = $slip->h / 2;
        $pole = $slip->w + $children[0]->look->spacing->reach - self::STEP;
        // Where the next may begin, above and below.
        $free = [$pole + self::STEP, $pole + self::STEP];
        foreach ($children as $n => $child) {
            $side = self::side($n);
            $pole = max($pole + self::STEP, $free[$side]) + max(0, $child->apartY);
            $lane = $child->enters === Growth::Down ? Bands::LANE : 0;
            $child->x = $pole + self::POLE + $child->left;
            $child->y = $side === 0
                ? $line - self::CLEAR - $child->apartX - $child->bottom - $child->h
                : $line + self::CLEAR + $child->apartX + $lane + $child->top;
            $free[$side] = $child->x + $child->w + $child->right + self::GAP + max(0, -$child->apartY);
            $this->route($slip, $child, $pole, $line);
            $slip->embrace($child);
            // The lane of what stands highest has to be in the extent too.
            $slip->top = max($slip->top, $lane + $child->top - $child->y);
        }
        $slip->axis = [$slip->w, $line, $pole + self::POLE, $line];
        $slip->right = max($slip->right, $pole + self::POLE - $slip->w);
    }

    /** Where the so-manieth stands: 0 above the line, 1 below it. */
    abstract protected static function side(int $n): int;

    /** Along the line, up or down the pole, and across to the box. */
    private function route(Slip $slip, Slip $child, float $pole, float $line): void
    {
        [$x, $y] = [$pole - $child->x, $line - $child->y];
        $child->leaves = Growth::Right;
        $child->isCurved = false;
        $child->isWinding = true;
        $lane = -$child->top - Bands::LANE / 2;
        $child->route = $child->enters === Growth::Down
            ? [$slip->w - $child->x, $y, $x, $y, $x, $lane, $child->w / 2, $lane, $child->w / 2, 0.0]
            : [$slip->w - $child->x, $y, $x, $y, $x, $child->h / 2, 0.0, $child->h / 2];
    }
}
