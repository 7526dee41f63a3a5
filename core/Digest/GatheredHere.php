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
 */
final class GatheredHere
{
    private const AS_JSON = JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION | JSON_INVALID_UTF8_SUBSTITUTE | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES;

    private const KEPT = '≡≡';

    private ?DigestList $list = null;

    /**
     * @param  string  $of  what it was made of: the digest, where it stands, the day
     * @param  string  $shown  all that decides what stands of it on the board
     * @param  array<string, string>|null  $found  what is told of each, see told(), in reading order; null where they are too many, or were not read yet
     */
    private function __construct(private readonly string $of, private string $shown, private readonly GatheredIds $ids, private ?array $found, private readonly ?Memory $memory = null)
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
        $found = null;
        foreach (count($ids) > Gathering::MOST ? [] : $ids as $id) {
            $found[$id] = self::told($now, $digest, $id);
        }

        return (new self(self::of($now, $digest), '', GatheredIds::of($ids), $found ?? []))->shownOn($digest);
    }

    /** As it was kept; null where it was not. */
    public static function recalled(Memory $memory, string $digest): ?self
    {
        $kept = $memory->kept("≡{$digest}");
        [$of, $count, $shown] = $kept === null ? ['', '', ''] : explode("\n", $kept, 3);

        return $kept === null ? null : new self($of, $shown, GatheredIds::recalled($memory, self::idsOf($digest), (int) $count), null, $memory);
    }

    public function keep(Memory $memory, string $digest): void
    {
        $memory->keep("≡{$digest}", "{$this->of}\n{$this->count()}\n{$this->shown}");
        $found = $this->count() > Gathering::MOST ? [] : $this->found($digest);
        $memory->keep(self::KEPT.$digest, implode("\n", array_map(fn (string|int $id, string $told): string => "{$id}\t{$told}", array_keys($found), $found)));
        $this->ids->keep($memory, self::idsOf($digest));
    }

    private static function idsOf(string $digest): string
    {
        return "≡{$digest} ";
    }

    public function isOf(Moment $now, Digest $digest): bool
    {
        return $this->of === self::of($now, $digest);
    }

    public function count(): int
    {
        return $this->ids->count();
    }

    /** Whether the same stands of both on the board. */
    public function showsWhat(self $other): bool
    {
        return $this->shown === $other->shown;
    }

    private function shownOn(Digest $digest): self
    {
        $this->shown = $this->count().' '.$this->list($digest)?->key();

        return $this;
    }

    /** @return list<DigestGroup>|null null where there are too many to be told */
    public function groups(Digest $digest): ?array
    {
        return $this->count() > Gathering::MOST ? null : $this->lines($digest, PHP_INT_MAX)[0];
    }

    /** What stands of them on the board; null where there are none, or too many to be told. */
    public function list(Digest $digest): ?DigestList
    {
        if ($this->count() === 0 || $this->count() > Gathering::MOST) {
            return null;
        }

        return $this->list ??= DigestList::of(...$this->lines($digest, DigestList::MOST));
    }

    /**
     * @return array{list<DigestGroup>, int} the groups in which the first so many lines stand, with those, and how many lines there are in all
     */
    private function lines(Digest $digest, int $most): array
    {
        $knownHeads = $knownRanks = $heads = $ranks = [];
        foreach ($found = $this->found($digest->id) as $told) {
            [$its, $rank] = explode("\t", $told, 3);
            // Most stand below the same few heads, and many fall on one day.
            $heads[] = $knownHeads[$its] ??= self::heads($its);
            $ranks[] = $knownRanks[$rank] ??= self::rank($rank);
        }
        $ids = array_keys($found);
        $found = array_values($found);
        $count = 0;
        $groups = [];
        foreach (Gathering::grouped($digest, $heads) as [$head, $its]) {
            if ($count < $most) {
                $groups[] = new DigestGroup($head, array_map(
                    fn (int $at): DigestLine => self::line((string) $ids[$at], $found[$at]),
                    array_slice(Gathering::inOrder($digest, $ranks, $its), 0, $most),
                ));
            }
            $count += count($its);
        }

        return [$groups, $count];
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
        $ids = clone $this->ids;
        $told = [];
        $isOtherwise = false;
        foreach ($asked as $id => $_) {
            $id = (string) $id;
            $was = $ids->has($id);
            $is = $condition !== null && $id !== $top && self::stands($now, $id, $top) && Gathering::isGathered($now, $condition, $id);
            if ($is || $was) {
                $told[$id] = $is;
            }
            $ids->put($id, $is);
            $isOtherwise = $isOtherwise || $is !== $was;
        }
        $after = new self($this->of, '', $ids, null);
        if ($after->count() > Gathering::MOST) {
            return $isOtherwise ? $after->shownOn($digest) : $this;
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
            $one = self::told($now, $digest, (string) $id);
            $isOtherwise = $isOtherwise || ! isset($found[$id]) || $found[$id] !== $one;
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
    public static function hangsOn(Digest $digest): array
    {
        $keys = [$digest->text('by'), $digest->text('order'), ...$digest->tells()];

        return [...$digest->condition()?->hangsOn() ?? [], ...(array_intersect($keys, Columns::OF_ABOVE) === [] ? [] : [HangsOn::Above])];
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

    /** Its heads, its rank, and what is told of it, as JSON each, which leaves tabs and line breaks free to part them. */
    private static function told(Moment $now, Digest $digest, string $id): string
    {
        [$line, $heads, $rank] = Gathering::told($now, $digest, Columns::of($now), $id);

        return implode("\t", array_map(fn (mixed $one): string => json_encode($one, self::AS_JSON), [$heads, $rank, [$line->title, $line->told, $line->progress]]));
    }

    /** @return list<array{string, float|string|null}> */
    private static function heads(string $json): array
    {
        /** @var list<array{string, float|string|null}> $heads */
        $heads = json_decode($json, true);

        return $heads;
    }

    private static function rank(string $json): float|string|null
    {
        /** @var float|string|null $rank */
        $rank = $json === 'null' ? null : json_decode($json);

        return $rank;
    }

    private static function line(string $id, string $told): DigestLine
    {
        /** @var array{string, list<string>, int|null} $its */
        $its = json_decode(explode("\t", $told, 3)[2], true);

        return new DigestLine('', $id, $its[0], [], $its[1], $its[2]);
    }

    /** @return array<string, string> */
    private function found(string $digest): array
    {
        if ($this->found === null) {
            $this->found = [];
            $kept = $this->memory?->kept(self::KEPT.$digest) ?? '';
            foreach ($kept === '' ? [] : explode("\n", $kept) as $line) {
                [$id, $told] = explode("\t", $line, 2);
                $this->found[$id] = $told;
            }
        }

        return $this->found;
    }
}
