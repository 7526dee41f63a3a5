<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

use ChalkTree\Map\Topic;

/**
 * One topic as it is drawn. Its place is that of its box's top left corner relative to the parent's; for the root
 * and for loose topics relative to the origin. Pixels at scale 1, y downwards.
 */
final class Slip
{
    public float $x = 0.0;

    public float $y = 0.0;

    public float $w = 0.0;

    public float $h = 0.0;

    /** The height of the band that this branch has to itself; its box stands in the middle of it. */
    public float $band = 0.0;

    /** How far the branch goes to the left of the box's left edge, and to the right of it. */
    public float $leftReach = 0.0;

    public float $rightReach = 0.0;

    /** How many topics are hidden below it by folding. */
    public int $hidden = 0;

    /** The number before its title, as the numbering above it has it; mostly none. */
    public string $number = '';

    /** In a column: how far above its box the one before it ends; 0 for the first, and for all others. */
    public float $above = 0.0;

    /** Where the connector leaves the parent's edge, relative to this box's corner. */
    public float $fromX = 0.0;

    public float $fromY = 0.0;

    public function __construct(
        public Topic $topic,
        public readonly ?string $parent,
        public int $level,
        public Growth $growth,
        public string $chalk,
    ) {
    }

    /** What is written on it: the title with its number, as inline Markdown. */
    public function text(): string
    {
        return $this->number === '' ? $this->topic->title : "{$this->number} {$this->topic->title}";
    }

    public function sameAs(self $other): bool
    {
        return $this->x === $other->x && $this->y === $other->y
            && $this->w === $other->w && $this->h === $other->h
            && $this->level === $other->level && $this->growth === $other->growth && $this->chalk === $other->chalk
            && $this->parent === $other->parent && $this->hidden === $other->hidden
            && $this->number === $other->number && $this->above === $other->above
            && $this->fromX === $other->fromX && $this->fromY === $other->fromY
            && $this->topic->title === $other->topic->title && $this->topic->caption === $other->topic->caption
            && $this->topic->width === $other->topic->width
            && ($this->topic->note === '') === ($other->topic->note === '');
    }
}
