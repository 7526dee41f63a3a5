<?php

declare(strict_types=1);

namespace ChalkTree\Edit;

use ChalkTree\Map\Bounds;
use ChalkTree\Map\Ids;
use ChalkTree\Map\Rank;
use ChalkTree\Map\Side;
use ChalkTree\Map\SideBalance;
use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;

/**
 * Where topics are to go: below a parent, first or last, or right before or after a sibling; or nowhere, as loose
 * topics. The wire says it with "parent" (null for loose), "before", "after" and "first", and may name a side, or for
 * loose topics the point "x", "y" on the board. Beside a loose topic one lands in its column.
 */
final readonly class Place
{
    private function __construct(
        private ?string $parent,
        private ?string $before,
        private ?string $after,
        private bool $first,
        private ?Side $side,
        private ?int $x = null,
        private ?int $y = null,
        private bool $inLot = false,
    ) {
    }

    public static function read(Arguments $arguments): self
    {
        $before = $arguments->has('before') ? $arguments->id('before') : null;
        $after = $arguments->has('after') ? $arguments->id('after') : null;
        if ($before === null && $after === null && ! $arguments->has('parent')) {
            throw new InvalidEdit('Say where: name a parent, or the sibling before or after which it goes.', 'parent');
        }
        if ($before !== null && $after !== null) {
            throw new InvalidEdit('Say either “before” or “after”, not both.', 'before');
        }

        return new self(
            $arguments->has('parent') ? $arguments->idOrNull('parent') : null,
            $before,
            $after,
            $arguments->has('first') && $arguments->bool('first'),
            $arguments->has('side') ? $arguments->choiceOrNull('side', Side::class) : null,
            $arguments->has('x') ? $arguments->intOrNull('x', -Bounds::FARTHEST, Bounds::FARTHEST) : null,
            $arguments->has('y') ? $arguments->intOrNull('y', -Bounds::FARTHEST, Bounds::FARTHEST) : null,
        );
    }

    /** The id of the parent, null for loose topics. */
    public function parent(TopicMap $map): ?string
    {
        $sibling = $this->sibling($map);
        if ($sibling === null) {
            return $this->parent === null ? null : $map->topic($this->parent, 'parent')->id;
        }
        if ($sibling->id === $map->sheet()->root) {
            throw new InvalidEdit('The root of the map has no siblings.', $this->before !== null ? 'before' : 'after');
        }
        if ($sibling->parked !== null && ! $this->inLot) {
            throw new InvalidEdit('Topics go into the parking lot by being parked.', $this->before !== null ? 'before' : 'after');
        }
        if ($this->parent !== null && $this->parent !== $sibling->parent) {
            throw new InvalidEdit('The sibling named does not stand below the parent named.', 'parent');
        }

        return $sibling->parent;
    }

    /** Below the last child of a parent. */
    public static function below(string $parent): self
    {
        return new self($parent, null, null, false, null);
    }

    /** Right after a topic, on its side. */
    public static function behind(Topic $sibling): self
    {
        return new self(null, null, $sibling->id, false, $sibling->side);
    }

    /** Right after a topic that is in the parking lot, and in the lot itself. */
    public static function behindParked(Topic $sibling): self
    {
        return new self(null, null, $sibling->id, false, null, inLot: true);
    }

    /** Right before a topic, on its side. */
    public static function ahead(Topic $sibling): self
    {
        return new self(null, $sibling->id, null, false, $sibling->side);
    }

    /**
     * Where on the board topics in this place stand, and in which column; nothing but nulls for all that hang on a
     * parent. A loose topic that gets a neighbour becomes a column with it.
     *
     * @return array{x: int|null, y: int|null, column: string|null}
     */
    public function looseFields(TopicMap $map, Recorder $recorder): array
    {
        $sibling = $this->sibling($map);
        if ($this->parent($map) !== null || ($sibling !== null && $sibling->x === null)) {
            return ['x' => null, 'y' => null, 'column' => null];
        }
        if ($sibling === null) {
            return ['x' => $this->x, 'y' => $this->y, 'column' => null];
        }
        if ($sibling->column === null) {
            $sibling = $sibling->with(['column' => Ids::next()]);
            $recorder->put($sibling);
        }

        return ['x' => $sibling->x, 'y' => $sibling->y, 'column' => $sibling->column];
    }

    /** The place in words, "under “Boats”", for a sentence; asked for after the edit. */
    public function words(TopicMap $map): string
    {
        $parent = $this->parent($map);

        return $parent === null ? 'to the open board' : 'under '.Wording::excerpt($map->topic($parent)->title);
    }

    /**
     * Ranks for so many topics in this place.
     *
     * @param  array<string, mixed>  $leaving  ids of topics that are being moved, so that they count as gone
     * @return list<string>
     */
    public function ranks(TopicMap $map, Recorder $recorder, int $count, array $leaving = []): array
    {
        $siblings = array_values(array_diff_key($map->children($this->parent($map) ?? ''), $leaving));
        $at = $this->index($siblings);
        $low = $siblings[$at - 1]->rank ?? null;
        $high = $siblings[$at]->rank ?? null;
        if ($low !== null && $low === $high) {
            $high = $this->partTies($recorder, $siblings, $at);
        }

        return Rank::run($low, $high, $count);
    }

    /**
     * Two siblings can have one rank where a topic came back to a place that another was given meanwhile; then their
     * ids order them. Those behind the gap get ranks of their own.
     *
     * @param  list<Topic>  $siblings
     * @return string the rank of the first one behind the gap
     */
    private function partTies(Recorder $recorder, array $siblings, int $at): string
    {
        $tie = $siblings[$at]->rank;
        for ($end = $at; $end < count($siblings) && $siblings[$end]->rank === $tie; $end++);
        $ranks = Rank::run($tie, $siblings[$end]->rank ?? null, $end - $at);
        foreach ($ranks as $i => $rank) {
            $recorder->put($siblings[$at + $i]->with(['rank' => $rank]));
        }

        return $ranks[0];
    }

    /** The side of the root on which a topic in this place grows; null where there are no sides. */
    public function sideFor(TopicMap $map): ?Side
    {
        if ($this->parent($map) !== $map->sheet()->root) {
            return null;
        }
        if ($this->side !== null) {
            return $this->side;
        }
        $sibling = $this->sibling($map);
        if ($sibling?->side !== null && ! $this->atEndOfSide($map, $sibling)) {
            return $sibling->side;
        }

        return SideBalance::lighter($map);
    }

    /**
     * The same for several topics in this place, shared out between the sides where nobody said which.
     *
     * @param  list<int>  $sizes  how many topics each of their branches has
     * @return list<Side|null>
     */
    public function sidesFor(TopicMap $map, array $sizes): array
    {
        $isFree = $this->parent($map) === $map->sheet()->root && $this->side === null && $this->sibling($map) === null;

        return $isFree ? SideBalance::share($map, $sizes) : array_fill(0, count($sizes), $this->sideFor($map));
    }

    private function atEndOfSide(TopicMap $map, Topic $sibling): bool
    {
        $mates = array_keys(array_filter(
            $map->children($map->sheet()->root),
            fn (Topic $topic): bool => $topic->side === $sibling->side,
        ));

        return ($this->before !== null ? $mates[0] : $mates[count($mates) - 1]) === $sibling->id;
    }

    /** @param  list<Topic>  $siblings */
    private function index(array $siblings): int
    {
        $named = $this->before ?? $this->after;
        if ($named === null) {
            return $this->first ? 0 : count($siblings);
        }
        foreach ($siblings as $i => $sibling) {
            if ($sibling->id === $named) {
                return $this->before !== null ? $i : $i + 1;
            }
        }

        throw new InvalidEdit('A topic cannot be placed before or after itself.', $this->before !== null ? 'before' : 'after');
    }

    private function sibling(TopicMap $map): ?Topic
    {
        return match (true) {
            $this->before !== null => $map->topic($this->before, 'before'),
            $this->after !== null => $map->topic($this->after, 'after'),
            default => null,
        };
    }
}
