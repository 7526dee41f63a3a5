<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

use ChalkTree\Map\Topic;
use ChalkTree\Route\Port;
use ChalkTree\Route\Visibility;

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

    /** So much farther out stands what has a phrase on its connector. */
    private const PHRASE = 70;

    /** How far connectors stay away from what they go around. */
    private const AWAY = 8.0;

    /** Of more than these the connectors go straight, whatever is in their way. */
    private const MOST_AROUND = 120;

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

    public function siblings(): Siblings
    {
        return Siblings::Put;
    }

    public function phrases(): PhraseWay
    {
        return PhraseWay::Along;
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
        if (count($children) <= self::MOST_AROUND) {
            foreach ($children as $child) {
                self::leadAround($slip, $child, $children);
            }
        }
        ConnectorWords::standAlong($slip, $children);
    }

    /**
     * Leads a connector around what stands between the two, where there is a way.
     *
     * @param  list<Slip>  $children
     */
    private static function leadAround(Slip $slip, Slip $child, array $children): void
    {
        [$x0, $y0, $x1, $y1] = [$slip->w / 2, $slip->h / 2, $child->x + $child->w / 2, $child->y + $child->h / 2];
        $others = $hits = [];
        foreach ($children as $other) {
            if ($other !== $child) {
                $others[$other->topic->id] = $box = [$other->x, $other->y, $other->x + $other->w, $other->y + $other->h];
                $hits += Ground::cuts($x0, $y0, $x1, $y1, $box, self::AWAY / 2) ? [$other->topic->id => $box] : [];
            }
        }
        if ($hits === [] || $child->route === []) {
            return;
        }
        $visibility = new Visibility([Port::through($x0, $y0)], [Port::through($x1, $y1)], [], self::AWAY);
        $known = [];
        do {
            $visibility->add($hits);
            $known += $hits;
            $way = $visibility->shortest(3 * hypot($x1 - $x0, $y1 - $y0) + 200.0);
            if ($way === null) {
                return;
            }
            $hits = [];
            for ($n = 1, $count = count($way[0]); $n < $count; $n++) {
                [[$ax, $ay], [$bx, $by]] = [$way[0][$n - 1], $way[0][$n]];
                $hits += array_filter(array_diff_key($others, $known), fn (array $box): bool => Ground::cuts($ax, $ay, $bx, $by, $box, self::AWAY / 2));
            }
        } while ($hits !== []);
        $corners = array_slice($way[0], 1, -1);
        if ($corners === []) {
            return;
        }
        $from = Outline::leave($slip, $corners[0][0], $corners[0][1]);
        $to = Outline::leave($child, $corners[count($corners) - 1][0] - $child->x, $corners[count($corners) - 1][1] - $child->y);
        $child->route = [$from[0] - $child->x, $from[1] - $child->y];
        foreach ($corners as [$x, $y]) {
            array_push($child->route, $x - $child->x, $y - $child->y);
        }
        array_push($child->route, $to[0], $to[1]);
    }

    /**
     * Stands a child at the first free place around its parent, beginning at the right and going clockwise.
     *
     * @param  list<array{float, float, float, float}>  $taken  left, top, right, bottom
     */
    private function seek(Slip $slip, Slip $child, array $taken): bool
    {
        $reach = $child->look->spacing->reach + ($slip->given->phrases === BranchPhrases::ASKED ? self::PHRASE : 0);
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
