<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

/** The computed drawing of a map for one view. */
final readonly class Scene
{
    /** @param  array<string, Slip>  $slips by topic id; a parent need not stand before its children */
    public function __construct(public string $arrangement, public array $slips)
    {
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
                $left = min($left, $slip->x - $slip->leftReach);
                $right = max($right, $slip->x + $slip->rightReach);
                $middle = $slip->y + $slip->h / 2;
                $top = min($top, $middle - $slip->band / 2);
                $bottom = max($bottom, $middle + $slip->band / 2);
            }
        }

        return ['x' => $left, 'y' => $top, 'w' => $right - $left, 'h' => $bottom - $top];
    }
}
