<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

use ChalkTree\Brace\Braces;
use ChalkTree\Map\TopicMap;
use ChalkTree\Ring\Rings;
use Closure;

/**
 * What holds siblings together: room is made around neighbours that a ring goes around, so that nothing else lies inside;
 * a brace stands beyond those that it spans, and its branch beyond the brace. Arrangements know of neither.
 */
final readonly class Groups
{
    /** Between the line of a ring and what is outside it; and for the name in its line. */
    private const OUTSIDE = 6.0;

    private const NAME = 8.0;

    /** @param  array<string, array<string, true>>  $rings  the rings around each topic */
    private function __construct(private Braces $braces, private array $rings)
    {
    }

    public static function of(TopicMap $map): self
    {
        $rings = [];
        foreach (Rings::of($map)->members as $ring => $topics) {
            foreach ($topics as $topic) {
                $rings[$topic][$ring] = true;
            }
        }

        return new self(Braces::of($map), $rings);
    }

    public function isEmpty(): bool
    {
        return $this->rings === [] && $this->braces->byTopic === [];
    }

    /** Whether a topic below a slip stands beyond its siblings. */
    public function isBrace(string $topic, Arrangement $arrangement): bool
    {
        return isset($this->braces->byTopic[$topic]) && $arrangement->siblings() !== Siblings::ByHead;
    }

    /** The first of the siblings that a brace spans. */
    public function firstOf(string $brace): ?string
    {
        return isset($this->braces->byTopic[$brace]) ? $this->braces->byTopic[$brace]->first() : null;
    }

    /**
     * @param  list<Slip>  $children  of a slip, with the extents of their branches
     * @param  Closure(list<Slip>): void  $place  lets the arrangement place those of them that it knows of
     */
    public function place(Slip $slip, array $children, Closure $place): void
    {
        $how = $slip->given->arrangement->siblings();
        $ids = array_map(fn (Slip $child): string => $child->topic->id, $children);
        $plain = $braces = [];
        foreach ($children as $child) {
            $child->brace = null;
            $isBrace = $this->isBrace($child->topic->id, $slip->given->arrangement);
            if (! $isBrace || $how === Siblings::Put) {
                $plain[] = $child;
            }
            if ($isBrace) {
                $spanned = $this->braces->spanned($this->braces->byTopic[$child->topic->id], $ids);
                $braces[] = [$child, self::onOneSide(array_values(array_filter($children, fn (Slip $one): bool => in_array($one->topic->id, $spanned, true))))];
            }
        }
        $kept = array_map(fn (Slip $child): array => [$child->left, $child->top, $child->right, $child->bottom], $plain);
        $this->makeRoom($slip, $plain, $how);
        $place($plain);
        if ($how === Siblings::Banded && BraceStand::makeRoom($braces)) {
            $place($plain);
        }
        BraceStand::all($slip, $braces, $how, $plain);
        foreach ($plain as $n => $child) {
            [$child->left, $child->top, $child->right, $child->bottom] = $kept[$n];
        }
    }

    /**
     * @param  list<Slip>  $slips
     * @return list<Slip> those on the side of the first
     */
    private static function onOneSide(array $slips): array
    {
        return array_values(array_filter($slips, fn (Slip $slip): bool => $slip->growth === $slips[0]->growth));
    }

    /** @param  list<Slip>  $children */
    private function makeRoom(Slip $slip, array $children, Siblings $how): void
    {
        if ($this->rings === [] || ($how !== Siblings::Banded && $how !== Siblings::Apart)) {
            return;
        }
        $sets = [];
        foreach ($children as $child) {
            foreach ($this->rings[$child->topic->id] ?? [] as $ring => $_) {
                $sets[$ring][$child->topic->id] = $child->topic->id;
            }
        }
        $levels = Rings::levels($sets);
        foreach (self::sides($children) as $side) {
            foreach ($side as $n => $child) {
                $pads = [0.0, 0.0, 0.0];
                foreach (array_intersect_key($levels, $this->rings[$child->topic->id] ?? []) as $ring => $level) {
                    $pad = Rings::padOf($level) + self::OUTSIDE;
                    $isInside = fn (int $at): bool => $how === Siblings::Banded && isset($side[$at]) && isset($this->rings[$side[$at]->topic->id][$ring]);
                    $pads = [max($pads[0], $pad), max($pads[1], $isInside($n - 1) ? 0.0 : $pad), max($pads[2], $isInside($n + 1) ? 0.0 : $pad)];
                }
                self::pad($child, $pads, $slip->given->isMirrored);
            }
        }
    }

    /**
     * @param  array{float, float, float}  $pads  along the direction of growth, before it and behind it
     */
    private static function pad(Slip $child, array $pads, bool $isMirrored): void
    {
        [$along, $before, $behind] = $pads;
        if ($along === 0.0) {
            return;
        }
        if (! $child->growth->isSideways() && $isMirrored) {
            [$before, $behind] = [$behind, $before];
        }
        [$x0, $y0, $x1, $y1] = $child->growth->isSideways() ? [$along, $before, $along, $behind] : [$before, $along, $behind, $along];
        $child->left += $x0;
        // Where connectors come in from above, the name is in the lower line.
        $isBelow = $child->growth === Growth::Down;
        $child->top += $y0 === 0.0 || $isBelow ? $y0 : $y0 + self::NAME;
        $child->right += $x1;
        $child->bottom += $y1 === 0.0 || ! $isBelow ? $y1 : $y1 + self::NAME;
    }

    /**
     * @param  list<Slip>  $children
     * @return array<string, list<Slip>> those that grow the same way
     */
    private static function sides(array $children): array
    {
        $sides = [];
        foreach ($children as $child) {
            $sides[$child->growth->value][] = $child;
        }

        return $sides;
    }
}
