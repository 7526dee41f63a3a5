<?php

declare(strict_types=1);

namespace ChalkTree\Ask;

use Closure;

/** One thing that is told of topics beside each other: in a line of a digest, in a column; by which they are grouped and put in order too. */
final readonly class Column
{
    /**
     * @param  string  $key  under which it is kept; "field:" and an id for a field
     * @param  string  $words  what it is called
     * @param  Closure(string): list<string>  $told  what there is of a topic, as people read it; nothing where it has none
     * @param  Closure(string): (float|string|null)|null  $rank  by what topics are put in order, where that is not what is told; null for one that comes last
     * @param  Closure(string): list<string>|null  $groups  under which heads a topic stands, where those are not what is told
     */
    public function __construct(public string $key, public string $words, private Closure $told, private ?Closure $rank = null, private ?Closure $groups = null)
    {
    }

    /** @return list<string> */
    public function told(string $topic): array
    {
        return ($this->told)($topic);
    }

    /** Whether topics have an order by it that is not the one of what is told. */
    public function isRanked(): bool
    {
        return $this->rank !== null;
    }

    public function rank(string $topic): float|string|null
    {
        if ($this->rank !== null) {
            return ($this->rank)($topic);
        }
        $told = mb_strtolower(implode(', ', $this->told($topic)));

        return $told === '' ? null : $told;
    }

    /** @return list<string> none where it stands under none */
    public function groups(string $topic): array
    {
        return $this->groups === null ? $this->told($topic) : ($this->groups)($topic);
    }
}
