<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

use ChalkTree\Draw\SceneMark;
use ChalkTree\Look\Palette;
use ChalkTree\Map\TopicMap;
use ChalkTree\Route\KnownWays;

/** The computed drawing of a map for one view. */
final readonly class Scene
{
    /**
     * @param  array<string, Slip>  $slips  by topic id; a parent need not stand before its children
     * @param  array<string, SceneMark>  $marks  by type and id
     * @param  KnownWays  $ways  what is known of lines that features draw, and what they find out
     * @param  Ground|null  $ground  which finds what stands where, also in branches that are not among the slips
     */
    public function __construct(public string $arrangement, public array $slips, public array $marks = [], public Palette $palette = new Palette, public ?Ground $ground = null, public KnownWays $ways = new KnownWays)
    {
    }

    /**
     * The box of a topic, or of the nearest above it that is drawn.
     *
     * @return array{id: string, x: float, y: float, w: float, h: float}|null  from the middle of the root; null where none is drawn
     */
    public function boxOf(TopicMap $map, string $topic): ?array
    {
        $found = $this->ground?->find($map, $topic);

        return $found === null ? null : ['id' => $found[0]->topic->id, 'x' => $found[1], 'y' => $found[2], 'w' => $found[0]->w, 'h' => $found[0]->h];
    }

    /**
     * Every box in one coordinate system, the root's middle at 0, 0.
     *
     * @return array<string, array{id: string, parent: string|null, x: float, y: float, w: float, h: float}> by topic id
     */
    public function boxes(): array
    {
        $boxes = [];
        foreach ($this->slips as $id => $slip) {
            $missing = [];
            for ($at = $slip; ! isset($boxes[$at->topic->id]); $at = $this->slips[$at->parent]) {
                $missing[] = $at;
                if ($at->parent === null) {
                    break;
                }
            }
            foreach (array_reverse($missing) as $at) {
                $above = $at->parent === null ? ['x' => 0.0, 'y' => 0.0] : $boxes[$at->parent];
                $boxes[$at->topic->id] = [
                    'id' => $at->topic->id, 'parent' => $at->parent,
                    'x' => $above['x'] + $at->x, 'y' => $above['y'] + $at->y, 'w' => $at->w, 'h' => $at->h,
                ];
            }
        }

        return $boxes;
    }

    /**
     * The frame around everything drawn.
     *
     * @return array{x: float, y: float, w: float, h: float}
     */
    public function bounds(): array
    {
        [$left, $top, $right, $bottom] = [INF, INF, -INF, -INF];
        foreach ($this->slips as $slip) {
            if ($slip->parent === null) {
                $left = min($left, $slip->x - $slip->left);
                $right = max($right, $slip->x + $slip->w + $slip->right);
                $top = min($top, $slip->y - $slip->top);
                $bottom = max($bottom, $slip->y + $slip->h + $slip->bottom);
            }
        }

        foreach ($this->marks as $mark) {
            if ($mark->box !== null) {
                [$x, $y, $w, $h] = $mark->box;
                [$left, $top, $right, $bottom] = [min($left, $x), min($top, $y), max($right, $x + $w), max($bottom, $y + $h)];
            }
        }

        return ['x' => $left, 'y' => $top, 'w' => $right - $left, 'h' => $bottom - $top];
    }
}
