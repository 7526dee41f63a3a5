<?php

declare(strict_types=1);

namespace ChalkTree\Digest;

use ChalkTree\Arrange\Memory;
use ChalkTree\Ask\Columns;
use ChalkTree\Ask\HangsOn;
use ChalkTree\Ask\Moment;
use ChalkTree\Map\ReadingOrder;

/**
 * What a live digest gathers of the map in which it stands. After an edit only those topics are asked again that can
 * answer otherwise, and only what is told of those is told anew.
 *
 * @phpstan-import-type Found from Gathering
 */
final class GatheredHere
{
    private const SPACE = ' ';

    /**
     * @param  string  $of  what it was made of: the digest, where it stands, the day
     * @param  string  $shown  all that decides what stands of it on the board
     * @param  string  $ids  the topics that are gathered, a space after each
     * @param  array<string, Found>|null  $found  in reading order; null where they are too many, or were not read yet
     */
    private function __construct(private readonly string $of, private string $shown, private string $ids, private ?array $found, private readonly ?Memory $memory = null)
    {
    }

    public static function anew(Moment $now, Digest $digest): self
    {
        $condition = $digest->condition();
        $top = self::top($now, $digest);
        $ids = [];
        foreach ($top === null ? $now->map->all() : $now->map->branch($top) as $id => $_) {
            if ($condition !== null && (string) $id !== $top && Gathering::isGathered($now, $condition, (string) $id)) {
                $ids[] = (string) $id;
            }
        }
        $gathered = new self(self::of($now, $digest), '', implode('', array_map(fn (string $id): string => $id.self::SPACE, $ids)), []);
        $gathered->found = count($ids) > Gathering::MOST ? null : $gathered->told($now, $digest, $ids);

        return $gathered->shownOn($digest);
    }

    /** As it was kept; null where it was not. */
    public static function recalled(Memory $memory, string $digest): ?self
    {
        $kept = $memory->kept("≡{$digest}");
        [$of, $shown, $ids] = $kept === null ? ['', '', ''] : explode("\n", $kept, 3);

        return $kept === null ? null : new self($of, $shown, $ids, null, $memory);
    }

    public function keep(Memory $memory, string $digest): void
    {
        $memory->keep("≡{$digest}", "{$this->of}\n{$this->shown}\n{$this->ids}");
        $found = array_map(fn (array $one): array => [$one['line']->title, $one['line']->told, $one['line']->progress, $one['groups'], $one['rank']], $this->count() > Gathering::MOST ? [] : $this->found($digest));
        $memory->keep("≡≡{$digest}", json_encode($found, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION | JSON_INVALID_UTF8_SUBSTITUTE));
    }

    public function isOf(Moment $now, Digest $digest): bool
    {
        return $this->of === self::of($now, $digest);
    }

    public function count(): int
    {
        return substr_count($this->ids, self::SPACE);
    }

    /** Whether the same stands of both on the board. */
    public function showsWhat(self $other): bool
    {
        return $this->shown === $other->shown;
    }

    private function shownOn(Digest $digest): self
    {
        $groups = $this->groups($digest);
        $this->shown = $this->count().($groups === null ? '' : ' '.DigestList::of($groups)->key());

        return $this;
    }

    /** @return list<DigestGroup>|null null where there are too many to be told */
    public function groups(Digest $digest): ?array
    {
        return $this->count() > Gathering::MOST ? null : Gathering::grouped($digest, array_values($this->found($digest->id)));
    }

    /**
     * The same after an edit; this one where nothing is otherwise.
     *
     * @param  array<string, true>  $asked  the topics that can answer otherwise, or be told otherwise
     * @param  array<string, true>  $moved  those of them that may stand elsewhere
     */
    public function after(Moment $now, Digest $digest, array $asked, array $moved): self
    {
        $condition = $digest->condition();
        $top = self::top($now, $digest);
        $ids = $this->ids;
        $told = [];
        foreach ($asked as $id => $_) {
            $id = (string) $id;
            $was = str_contains($this->ids, $id.self::SPACE);
            $is = $condition !== null && $id !== $top && self::stands($now, $id, $top) && Gathering::isGathered($now, $condition, $id);
            if ($is || $was) {
                $told[$id] = $is;
            }
            if ($is !== $was) {
                $ids = $is ? $ids.$id.self::SPACE : str_replace($id.self::SPACE, '', $ids);
            }
        }
        $after = new self($this->of, '', $ids, null);
        if ($after->count() > Gathering::MOST) {
            return $ids === $this->ids ? $this : $after->shownOn($digest);
        }
        if ($this->count() > Gathering::MOST) {
            return self::anew($now, $digest);
        }

        return $this->retold($now, $digest, $after, $told, $moved);
    }

    /**
     * @param  array<string, bool>  $told  topics that were gathered or are, and whether they are
     * @param  array<string, true>  $moved
     */
    private function retold(Moment $now, Digest $digest, self $after, array $told, array $moved): self
    {
        if ($told === []) {
            return $this;
        }
        $found = $this->found($digest->id);
        $isOtherwise = false;
        $order = new ReadingOrder($now->map);
        foreach ($told as $id => $is) {
            if (! $is || isset($moved[$id])) {
                unset($found[$id]);
                $isOtherwise = true;
            }
        }
        foreach (array_keys(array_filter($told)) as $id) {
            $one = Gathering::told($now, $digest, Columns::of($now), (string) $id);
            // Not by ==, to which nothing done and nothing to be done are the same.
            $isOtherwise = $isOtherwise || ! isset($found[$id]) || serialize($found[$id]) !== serialize($one);
            if (! isset($found[$id])) {
                $at = $order->place(array_map(strval(...), array_keys($found)), (string) $id);
                $found = array_slice($found, 0, $at, true) + [$id => $one] + array_slice($found, $at, null, true);
            }
            $found[$id] = $one;
        }
        if (! $isOtherwise) {
            return $this;
        }
        $after->found = $found;

        return $after->shownOn($digest);
    }

    /** @return list<HangsOn> on what else than a topic itself it hangs whether that is gathered and what is told of it */
    public static function hangsOn(Moment $now, Digest $digest): array
    {
        $keys = [$digest->text('by'), $digest->text('order'), ...$digest->tells()];
        $isOfAbove = array_filter(array_intersect_key(Columns::of($now), array_flip($keys)), fn ($column): bool => $column->isOfAbove()) !== [];

        return [...$digest->condition()?->hangsOn() ?? [], ...($isOfAbove ? [HangsOn::Above] : [])];
    }

    private static function of(Moment $now, Digest $digest): string
    {
        return hash('xxh128', implode("\n", [$now->today, self::top($now, $digest) ?? '', $digest->text('when'), $digest->text('from'), $digest->text('by'), $digest->text('order'), $digest->text('tells')]));
    }

    /** The topic below which it is looked; null for the whole map. */
    private static function top(Moment $now, Digest $digest): ?string
    {
        return $digest->from() === 'branch' ? $now->map->find($now->map->find($digest->id)->parent ?? '')?->id : null;
    }

    /** Whether a topic is where it is looked: of the whole map, what is in the parking lot is not. */
    private static function stands(Moment $now, string $id, ?string $top): bool
    {
        $topic = $now->map->find($id);
        if ($topic === null || $top !== null) {
            return $topic !== null && $now->map->isWithin($id, $top ?? $id);
        }
        $above = $now->map->ancestors($id);

        return ($above === [] ? $topic : $above[count($above) - 1])->parked === null;
    }

    /**
     * @param  list<string>  $ids
     * @return array<string, Found>
     */
    private function told(Moment $now, Digest $digest, array $ids): array
    {
        $found = [];
        foreach ($ids as $id) {
            $found[$id] = Gathering::told($now, $digest, Columns::of($now), $id);
        }

        return $found;
    }

    /** @return array<string, Found> */
    private function found(string $digest): array
    {
        if ($this->found === null) {
            /** @var array<string, array{string, list<string>, int|null, list<array{string, float|string|null}>, float|string|null}> $kept */
            $kept = json_decode($this->memory?->kept("≡≡{$digest}") ?? '[]', true);
            $this->found = [];
            foreach ($kept as $id => [$title, $told, $progress, $groups, $rank]) {
                $this->found[$id] = ['line' => new DigestLine('', $id, $title, [], $told, $progress), 'groups' => $groups, 'rank' => $rank];
            }
        }

        return $this->found;
    }
}
