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
     * @param  CellTyping|null  $typing  null where it follows from what is said elsewhere
     * @param  Closure(float): string|null  $numbers  how people read a number of it; null where its ranks are none to reckon with
     * @param  Closure(string): (string|null)|null  $below  what those below a topic come to, as people read it
     * @param  Closure(string): list<string>|null  $inCell  what there is of a topic where the head of the column says what it is; null where that is what is told
     * @param  bool  $isOfLists  whether it is told in the lines of lists, which have the title as it is
     */
    public function __construct(
        public string $key, public string $words, private Closure $told, private ?Closure $rank = null, private ?Closure $groups = null,
        public ?CellTyping $typing = null, private ?Closure $numbers = null, private ?Closure $below = null, private ?Closure $inCell = null, public bool $isOfLists = true,
    ) {
    }

    /** Whether it is told of what stands above a topic, and not of itself and what is below it. */
    public function isOfAbove(): bool
    {
        return in_array($this->key, Columns::OF_ABOVE, true);
    }

    /** @return list<string> the same below the head of the column */
    public function inCell(string $topic): array
    {
        return $this->inCell === null ? $this->told($topic) : ($this->inCell)($topic);
    }

    /** Whether its ranks are numbers, which can be summed up. */
    public function isOfNumbers(): bool
    {
        return $this->numbers !== null;
    }

    public function number(float $number): string
    {
        return $this->numbers === null ? (string) $number : ($this->numbers)($number);
    }

    /** What those below a topic come to; null where nothing does. */
    public function below(string $topic): ?string
    {
        return $this->below === null ? null : ($this->below)($topic);
    }

    /** The number that a topic has; null where it has none. */
    public function numberOf(string $topic): ?float
    {
        $rank = $this->numbers === null ? null : $this->rank($topic);

        return is_float($rank) ? $rank : null;
    }

    /** Which of two ranks comes first, as <=> says it; topics without one come last. */
    public static function compare(float|string|null $a, float|string|null $b): int
    {
        return $a === null || $b === null ? ($a === null ? 1 : 0) - ($b === null ? 1 : 0) : (is_float($a) && is_float($b) ? $a <=> $b : strnatcasecmp((string) $a, (string) $b));
    }

    /** @return list<string> */
    public function told(string $topic): array
    {
        return ($this->told)($topic);
    }

    /** By what the heads under which a topic stands are put in order; null where that is their name. */
    public function rankOfHead(string $topic): float|string|null
    {
        return $this->rank === null ? null : ($this->rank)($topic);
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
