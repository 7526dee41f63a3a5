<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

use ChalkTree\Ask\TopicDay;
use ChalkTree\Face\FacePart;
use ChalkTree\Look\Look;
use ChalkTree\Map\Topic;

/**
 * One topic as it is drawn. Its place is that of its box's top left corner relative to the parent's; for the root
 * and for loose topics relative to the origin. Pixels at scale 1, y downwards.
 */
final class Slip
{
    /** Room beside a folded slip for its tally marks, and below it. */
    private const TALLY = 40;

    private const TALLY_BELOW = 26;

    public float $x = 0.0;

    public float $y = 0.0;

    public float $w = 0.0;

    public float $h = 0.0;

    /** The extent of the branch: how far it goes beyond each edge of the box. */
    public float $left = 0.0;

    public float $top = 0.0;

    public float $right = 0.0;

    public float $bottom = 0.0;

    /** How many topics are hidden below it by folding. */
    public int $hidden = 0;

    /** The number before its title, as the numbering above it has it; mostly none. */
    public string $number = '';

    /** @var list<FacePart> what stands in its box besides the title */
    public array $parts = [];

    /** The phrase on the connector that leads to it; mostly none. */
    public string $phrase = '';

    /**
     * Where that stands: x, y, width and height from its corner.
     *
     * @var array{float, float, float, float}|null
     */
    public ?array $words = null;

    /**
     * Where the connector is not drawn, because its phrase is: the piece of the way, and two points on it.
     *
     * @var array{int, float, float, float, float}|null
     */
    public ?array $gap = null;

    /**
     * Of one that is a brace over its siblings: the ends of that, from its corner.
     *
     * @var array{float, float, float, float}|null
     */
    public ?array $brace = null;

    /** How far it is held apart by hand; see Apart. */
    public int $apartX = 0;

    public int $apartY = 0;

    /** In a column: how far above its box the one before it ends; 0 for the first, and for all others. */
    public float $above = 0.0;

    /**
     * The way of the connector, from the parent's edge to this box's, relative to this box's corner: x and y in turn.
     * Empty where there is none.
     *
     * @var list<float>
     */
    public array $route = [];

    /**
     * The line along which its subtopics stand, where its arrangement has one: x and y in turn from its corner.
     *
     * @var list<float>
     */
    public array $axis = [];

    /** The same where they stand by their days. */
    public ?Ruler $ruler = null;

    /** Its day, where its place may go by that; known while it is placed. */
    public ?TopicDay $day = null;

    /** Which day it is; empty where nobody looks in particular. */
    public string $today = '';

    /** What ties its subtopics to each other, where its arrangement follows that; known only while it is placed. */
    public ?Ties $ties = null;

    /**
     * How that runs, by the id of the tie: from outline to outline, and the middle of the words on it; from its corner.
     *
     * @var array<string, array{points: non-empty-list<array{float, float}>, words: array{float, float}|null}>
     */
    public array $ways = [];

    /** The direction in which the connector leaves the parent. */
    public Growth $leaves = Growth::Right;

    /** Whether the first part of the way may turn as it goes, as its look has it: curved, straight or with corners. */
    public bool $isCurved = true;

    /** Whether it goes straight whatever its look says. */
    public bool $isDirect = false;

    /** Whether it stands free, where it was put. */
    public bool $isFree = false;

    /**
     * Where it was put, where its parent lets it stand free: its middle from the parent's.
     *
     * @var array{int, int}|null
     */
    public ?array $standsAt = null;

    /** Whether it goes otherwise than from edge to edge, so that it is not drawn so from afar either. */
    public bool $isWinding = false;

    /** The direction in which it stands from its parent, and that in which the connector comes in. */
    public Growth $growth;

    public Growth $enters;

    /** Whether it is seen in a mirror just now; see Mirror. */
    public bool $isFlipped = false;

    public readonly int $level;

    public readonly string $chalk;

    public readonly Look $look;

    public function __construct(public Topic $topic, public readonly ?string $parent, public readonly Given $given)
    {
        $this->level = $given->level;
        $this->growth = $given->growth;
        $this->enters = $given->enters;
        $this->chalk = $given->chalk;
        $this->look = $given->look;
    }

    /** What is written on it: the title with its number, as inline Markdown. */
    public function text(): string
    {
        return $this->number === '' ? $this->topic->title : "{$this->number} {$this->topic->title}";
    }

    /** Takes no more room than its box, and that of its tally marks if it is folded. */
    public function closeUp(): void
    {
        $this->left = $this->top = $this->right = $this->bottom = 0.0;
        if ($this->hidden > 0) {
            match ($this->given->arrangement->opens()) {
                Growth::Left => $this->left = self::TALLY,
                Growth::Right => $this->right = self::TALLY,
                Growth::Down => $this->bottom = self::TALLY_BELOW,
                Growth::Up => $this->top = self::TALLY_BELOW,
            };
        }
    }

    /** Makes the extent wide enough for a child that has its place. */
    public function embrace(self $child): void
    {
        // Called for every slip of a map, so it calls nothing itself.
        $left = $child->left - $child->x;
        $top = $child->top - $child->y;
        $right = $child->x + $child->w + $child->right - $this->w;
        $bottom = $child->y + $child->h + $child->bottom - $this->h;
        if ($left > $this->left) {
            $this->left = $left;
        }
        if ($top > $this->top) {
            $this->top = $top;
        }
        if ($right > $this->right) {
            $this->right = $right;
        }
        if ($bottom > $this->bottom) {
            $this->bottom = $bottom;
        }
    }

    /** Makes the extent wide enough for something beside the box, in places from its corner. */
    public function reachTo(float $x, float $y, float $w, float $h): void
    {
        $this->left = max($this->left, -$x);
        $this->top = max($this->top, -$y);
        $this->right = max($this->right, $x + $w - $this->w);
        $this->bottom = max($this->bottom, $y + $h - $this->h);
    }

    /** @return array{float, float, float, float} what the line along which its subtopics stand takes: x, y, width and height from its corner; it has to have one */
    public function line(): array
    {
        [$x0, $y0, $x1, $y1] = $this->axis + [0.0, 0.0, 0.0, 0.0];
        $half = $this->ruler === null ? 3.0 : Ruler::HALF + 5;
        $ends = $this->ruler === null ? [] : [$this->ruler->x(0.0), $this->ruler->x($this->ruler->scale->length())];
        [$left, $right] = [min($x0, $x1, ...$ends), max($x0, $x1, ...$ends)];

        return [$left, min($y0, $y1) - $half, $right - $left, abs($y1 - $y0) + 2 * $half];
    }

    /** What stands inside its box, so far as that decides its size. */
    public function face(): Face
    {
        return new Face($this->text(), array_map(fn (FacePart $part): string => $part->key(), $this->parts), $this->look->hash);
    }

    /** Whether the same stands in both boxes; mostly it is the very same topic. */
    public function hasFaceOf(self $other): bool
    {
        return ($this->topic === $other->topic && $this->number === $other->number && $this->parts === [] && $other->parts === [] && $this->look->hash === $other->look->hash) || $this->face()->hash() === $other->face()->hash();
    }

    /** Whether nobody would see a difference between the two. */
    public function sameAs(self $other): bool
    {
        return $this->place() === $other->place() && $this->hasFaceOf($other);
    }

    /** @return list<mixed> where and how it is drawn, but for what stands in it */
    private function place(): array
    {
        return [
            $this->x, $this->y, $this->w, $this->h, $this->parent, $this->hidden, $this->above, $this->route, $this->leaves, $this->isDirect, $this->isFree, $this->axis, $this->given->hash, $this->phrase, $this->words, $this->brace, $this->ruler?->key(),
        ];
    }
}
