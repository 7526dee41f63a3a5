<?php

declare(strict_types=1);

namespace ChalkTree\Digest;

use ChalkTree\Ask\Column;
use ChalkTree\Ask\Columns;
use ChalkTree\Ask\Condition;
use ChalkTree\Ask\Heads;
use ChalkTree\Ask\Moment;
use ChalkTree\Ask\Ranks;
use ChalkTree\Ask\TodoProgress;
use ChalkTree\Map\Trail;
use ChalkTree\Text\InlineMarkdown;

/**
 * Gathers the topics that a digest asks for, map by map, and puts them under heads and in order.
 *
 * @phpstan-type Found array{DigestLine, list<array{string, float|string|null}>, float|string|null}
 */
final class Gathering
{
    /** Lines of a digest; what is gathered then is counted, and not told. */
    public const MOST = 500;

    private const WIDEST = 200;

    private int $count = 0;

    /** @var list<Found> */
    private array $found = [];

    public function __construct(private readonly Digest $digest)
    {
    }

    /** The groups of a digest that asks of nothing but the map in which it stands. */
    public static function in(Moment $now, Digest $digest): self
    {
        $gathering = new self($digest);
        $condition = $digest->condition();
        $parent = $now->map->find($digest->id)?->parent;
        if ($condition !== null) {
            $gathering->add($now, $condition, $digest->from() === 'branch' && $parent !== null ? $parent : null);
        }

        return $gathering;
    }

    /**
     * Takes what is gathered of one map.
     *
     * @param  string|null  $branch  the topic below which it is looked; null for the whole map
     * @param  string  $as  the id of the map, where it is another than that of the digest
     */
    public function add(Moment $now, Condition $condition, ?string $branch = null, string $as = ''): void
    {
        $columns = Columns::of($now);
        foreach ($branch === null ? $now->map->all() : $now->map->branch($branch) as $id => $topic) {
            $id = (string) $id;
            if ($id === $branch || ! self::isGathered($now, $condition, $id)) {
                continue;
            }
            $this->count++;
            if (count($this->found) < self::MOST) {
                $trail = array_map(fn (string $title): string => mb_substr($title, 0, self::WIDEST), array_slice(Trail::to($now->map, $id, self::WIDEST), $now->map->isWithin($id, $now->map->root()->id) ? 1 : 0, -1));
                $this->found[] = self::told($now, $this->digest, $columns, $id, $as, $trail);
            }
        }
    }

    /** Whether a condition holds of a topic that can be gathered: a digest gathers neither itself nor another. */
    public static function isGathered(Moment $now, Condition $condition, string $id): bool
    {
        return $now->map->row(Digest::type(), $id) === null && $condition->holds($now, $id);
    }

    /**
     * What is told of a topic, under which heads it stands and by what it is put in order.
     *
     * @param  array<string, Column>  $columns  of its map
     * @param  list<string>  $trail
     * @return Found
     */
    public static function told(Moment $now, Digest $digest, array $columns, string $id, string $as = '', array $trail = []): array
    {
        $told = [];
        foreach (array_intersect_key($columns, array_flip($digest->tells())) as $column) {
            $told[] = mb_strimwidth(implode(', ', $column->told($id)), 0, self::WIDEST, '…');
        }
        $by = $columns[$digest->text('by')] ?? null;

        return [
            new DigestLine($as, $id, InlineMarkdown::oneLine($now->map->topic($id)->title, self::WIDEST), $trail, array_values(array_filter($told, fn (string $words): bool => $words !== '')), TodoProgress::of($now, $id)),
            $by === null ? [] : array_map(fn (string $head): array => [$head, $by->rankOfHead($id)], $by->groups($id)),
            ($columns[$digest->text('order')] ?? null)?->rank($id),
        ];
    }

    public function count(): int
    {
        return $this->count;
    }

    /** @return list<DigestGroup> one without a head where nothing is grouped; what stands under none comes last */
    public function groups(): array
    {
        $ranks = array_column($this->found, 2);
        $groups = [];
        foreach (self::grouped($this->digest, array_column($this->found, 1)) as [$head, $its]) {
            $groups[] = new DigestGroup($head, array_map(fn (int $at): DigestLine => $this->found[$at][0], self::inOrder($this->digest, $ranks, $its)));
        }

        return $groups;
    }

    /**
     * Under which heads the topics stand that were found; they are told by their numbers, and not put in order yet.
     *
     * @param  list<list<array{string, float|string|null}>>  $heads  of each, as they stand in the map, and by what those are put in order
     * @return list<array{string, list<int>}> heads and what stands below each
     */
    public static function grouped(Digest $digest, array $heads): array
    {
        $below = array_fill_keys($titles = Heads::inOrder($heads, in_array($digest->text('by'), Columns::OF_ABOVE, true)), []);
        $rest = [];
        foreach ($heads as $at => $its) {
            foreach ($its as [$head]) {
                $below[$head][] = $at;
            }
            if ($its === []) {
                $rest[] = $at;
            }
        }
        $grouped = array_map(fn (string $head): array => [mb_substr($head, 0, self::WIDEST), $below[$head]], $titles);

        return $rest === [] ? $grouped : [...$grouped, [$grouped === [] ? '' : 'None', $rest]];
    }

    /**
     * @param  list<float|string|null>  $ranks  of all that were found
     * @param  list<int>  $its  what stands below one head
     * @return list<int> the same as the digest puts them in order
     */
    public static function inOrder(Digest $digest, array $ranks, array $its): array
    {
        return $digest->text('order') === '' ? $its : Ranks::inOrder(array_intersect_key($ranks, array_flip($its)));
    }
}
