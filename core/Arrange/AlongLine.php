<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

use ChalkTree\Map\Topic;

/**
 * Subtopics along a line, each on a pole of its own, at the places that their days have on it; where there are none, in
 * their order. What is below them stands as stepped lists.
 */
trait AlongLine
{
    /** Between the line and what stands nearest to it. */
    private const CLEAR = 18;

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
        if ($children === [] || LineOfDays::place($slip, $children, self::side(0), self::side(1))) {
            return;
        }
        $line = $slip->h / 2;
        $pole = $slip->w + $children[0]->look->spacing->reach - Pole::STEP;
        // Where the next may begin, above and below.
        $free = [$pole + Pole::STEP, $pole + Pole::STEP];
        foreach ($children as $n => $child) {
            $side = self::side($n);
            $pole = max($pole + Pole::STEP, $free[$side]) + max(0, $child->apartY);
            Pole::hang($slip, $child, $pole, $line, $side, self::CLEAR + $child->apartX, $slip->w);
            $free[$side] = $child->x + $child->w + $child->right + self::GAP + max(0, -$child->apartY);
        }
        $slip->axis = [$slip->w, $line, $pole + Pole::ASIDE, $line];
        $slip->right = max($slip->right, $pole + Pole::ASIDE - $slip->w);
    }

    /** Where the so-manieth stands: 0 above the line, 1 below it. */
    abstract protected static function side(int $n): int;
}
