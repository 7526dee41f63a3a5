<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

/**
 * Places loose topics and columns where they were put on the board; where the tree or another loose branch has come to
 * stand there meanwhile, they make way downwards, without that being written to the map. Those that were never put
 * anywhere stand below the tree.
 */
final class LooseTopics
{
    /** Between the tree and the loose topics below it. */
    private const BELOW = 56;

    /** Between the topics of a column. */
    private const COLUMN_GAP = 10;

    /**
     * @param  array<string, Slip>  $slips
     * @param  array<string, list<string>>  $below
     */
    public function __construct(private readonly array $slips, private readonly array $below)
    {
    }

    /** @param  list<non-empty-list<Slip>>  $piles  columns, and loose topics as piles of one */
    public function place(Slip $root, array $piles): void
    {
        $clearing = new Clearing;
        foreach ($this->boxes($root) as $box) {
            $clearing->take(...$box);
        }
        $foot = $root->band / 2 + self::BELOW;
        foreach ($piles as $pile) {
            $topic = $pile[0]->topic;
            $this->stack($pile, $topic->x ?? -$pile[0]->w / 2, $topic->y === null ? $foot : $topic->y - $pile[0]->band / 2);
            $boxes = array_merge(...array_map($this->boxes(...), $pile));
            $down = $clearing->down($boxes);
            foreach ($pile as $slip) {
                $slip->y += $down;
            }
            foreach ($boxes as [$left, $top, $right, $bottom]) {
                $clearing->take($left, $top + $down, $right, $bottom + $down);
            }
            if ($topic->y === null) {
                $last = $pile[count($pile) - 1];
                $foot = $last->y + $last->h / 2 + $last->band / 2 + self::BELOW;
            }
        }
    }

    /** @param  list<Slip>  $pile */
    private function stack(array $pile, float $x, float $y): void
    {
        $end = null;
        foreach ($pile as $slip) {
            $slip->x = $x;
            $slip->y = $y + ($slip->band - $slip->h) / 2;
            $slip->above = $end === null ? 0.0 : $slip->y - $end;
            $end = $slip->y + $slip->h;
            $y += $slip->band + self::COLUMN_GAP;
        }
    }

    /**
     * What a branch covers: its boxes, and the room in which its connectors run.
     *
     * @return list<array{float, float, float, float}> left, top, right, bottom
     */
    private function boxes(Slip $top): array
    {
        $boxes = [];
        $waiting = [[$top, 0.0, 0.0]];
        while (($next = array_pop($waiting)) !== null) {
            [$slip, $x, $y] = $next;
            [$x, $y] = [$x + $slip->x, $y + $slip->y];
            $boxes[] = [$x - $slip->leftReach * ($slip->hidden > 0 ? 1 : 0), $y, $x + ($slip->hidden > 0 ? $slip->rightReach : $slip->w), $y + $slip->h];
            if ($slip->parent !== null) {
                $edge = $slip->growth === Growth::Right ? $x : $x + $slip->w;
                $from = $x + $slip->fromX;
                [$a, $b] = [$y + $slip->fromY, $y + $slip->h / 2];
                $boxes[] = [min($edge, $from), min($a, $b) - 4, max($edge, $from), max($a, $b) + 4];
            }
            foreach ($this->below[$slip->topic->id] ?? [] as $id) {
                $waiting[] = [$this->slips[$id], $x, $y];
            }
        }

        return $boxes;
    }
}
