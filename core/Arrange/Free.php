<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

use ChalkTree\Map\Topic;

/**
 * Every topic where a person put it, relative to its parent. One that was put nowhere yet stands at the first free place
 * near by; FreePlaces sees to it that it is kept there.
 */
final readonly class Free implements Arrangement
{
    use AllTheWayDown;

    /** Between a new topic and what stands there already. */
    private const ROOM = 14;

    /** More new ones than this at once are put in a column. */
    private const MOST_SOUGHT = 60;

    /** Directions in which a free place is looked for, and how far. */
    private const DIRECTIONS = 12;

    private const RINGS = 24;

    public static function name(): string
    {
        return 'free';
    }

    /** So that its spine faces its parent. */
    public function growth(Slip $head, Topic $child, int $index, int $count, ?Place $put = null): Growth
    {
        return ($put?->at()[0] ?? 0) < 0 ? Growth::Left : Growth::Right;
    }

    /** What a person put somewhere stays there. */
    public function isMirrorable(): bool
    {
        return false;
    }

    public function enters(Growth $growth): Growth
    {
        return $growth;
    }

    public function opens(): Growth
    {
        return Growth::Right;
    }

    public function place(Slip $slip, array $children, array $below): void
    {
        $slip->closeUp();
        $taken = [[-(float) self::ROOM, -(float) self::ROOM, $slip->w + self::ROOM, $slip->h + self::ROOM]];
        $waiting = [];
        foreach ($children as $child) {
            if ($child->standsAt === null) {
                $waiting[] = $child;

                continue;
            }
            $child->x = $slip->w / 2 + $child->standsAt[0] - $child->w / 2;
            $child->y = $slip->h / 2 + $child->standsAt[1] - $child->h / 2;
            $taken[] = self::extent($child);
        }
        $isSought = count($waiting) <= self::MOST_SOUGHT;
        $foot = max(array_column($taken, 3));
        foreach ($waiting as $child) {
            if (! $isSought || ! $this->seek($slip, $child, $taken)) {
                $child->x = $slip->w + $child->look->spacing->reach + $child->left;
                $child->y = $foot + self::ROOM + $child->top;
            }
            $taken[] = $extent = self::extent($child);
            $foot = max($foot, $extent[3]);
        }
        foreach ($children as $child) {
            $this->tie($slip, $child);
            $slip->embrace($child);
        }
    }

    /**
     * Stands a child at the first free place around its parent, beginning at the right and going clockwise.
     *
     * @param  list<array{float, float, float, float}>  $taken  left, top, right, bottom
     */
    private function seek(Slip $slip, Slip $child, array $taken): bool
    {
        $reach = $child->look->spacing->reach;
        // Where it hangs on something itself, the side by which the connector comes in is left alone.
        [$turn, $begin] = $slip->parent === null ? [2 * M_PI, 0.0] : [M_PI * 0.8, M_PI * ($slip->growth === Growth::Left ? 0.6 : -0.4)];
        for ($ring = 0; $ring < self::RINGS; $ring++) {
            for ($n = 0; $n < self::DIRECTIONS; $n++) {
                $angle = $begin + $turn * $n / self::DIRECTIONS;
                $far = $reach + 44 * $ring;
                $child->x = round($slip->w / 2 + cos($angle) * ($slip->w / 2 + $far + $child->w / 2) - $child->w / 2);
                $child->y = round($slip->h / 2 + sin($angle) * ($slip->h / 2 + $far + $child->h / 2) - $child->h / 2);
                if (self::isClear(self::extent($child), $taken)) {
                    return true;
                }
            }
        }

        return false;
    }

    /** @return array{float, float, float, float} what a branch takes, from its parent's corner */
    private static function extent(Slip $child): array
    {
        return [$child->x - $child->left, $child->y - $child->top, $child->x + $child->w + $child->right, $child->y + $child->h + $child->bottom];
    }

    /**
     * @param  array{float, float, float, float}  $box
     * @param  list<array{float, float, float, float}>  $taken
     */
    private static function isClear(array $box, array $taken): bool
    {
        [$left, $top, $right, $bottom] = $box;
        foreach ($taken as [$l, $t, $r, $b]) {
            if ($left < $r + self::ROOM && $l < $right + self::ROOM && $top < $b + self::ROOM && $t < $bottom + self::ROOM) {
                return false;
            }
        }

        return true;
    }

    /** From edge to edge by the straight way; nothing where the two lie over each other. */
    private function tie(Slip $slip, Slip $child): void
    {
        $child->leaves = Growth::Right;
        $child->isCurved = false;
        $child->isDirect = $child->isWinding = $child->isFree = true;
        $from = Outline::leave($slip, $child->x + $child->w / 2, $child->y + $child->h / 2);
        $to = Outline::leave($child, $slip->w / 2 - $child->x, $slip->h / 2 - $child->y);
        [$x, $y] = [$from[0] - $child->x, $from[1] - $child->y];
        $isOver = $x > 0.0 && $x < $child->w && $y > 0.0 && $y < $child->h;
        $child->route = $isOver ? [] : [$x, $y, $to[0], $to[1]];
    }
}
