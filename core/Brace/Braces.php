<?php

declare(strict_types=1);

namespace ChalkTree\Brace;

use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;

/** Which topics are braces over which of their siblings. */
final readonly class Braces
{
    /** @param  array<string, Brace>  $byTopic  those that hold: all three below one parent, in order, none of them over another */
    private function __construct(public array $byTopic)
    {
    }

    public static function of(TopicMap $map): self
    {
        $braces = [];
        $rows = $map->rowsOf(Brace::class);
        ksort($rows);
        foreach ($rows as $brace) {
            if ($map->isLiving($brace) && ! isset($braces[$brace->topic()])) {
                $braces[$brace->topic()] = $brace;
            }
        }

        return new self(array_filter($braces, fn (Brace $brace): bool => self::holds($map, $brace) && ! isset($braces[$brace->first()]) && ! isset($braces[$brace->last()])));
    }

    /** Whether its ends are siblings of its topic, in their order. */
    public static function holds(TopicMap $map, Brace $brace): bool
    {
        [$topic, $first, $last] = array_map($map->find(...), $brace->topics());

        return $topic !== null && $first !== null && $last !== null && $topic->parent !== null && $first->parent === $topic->parent && $last->parent === $topic->parent
            && $topic !== $first && $topic !== $last && self::isBefore($first, $last);
    }

    private static function isBefore(Topic $first, Topic $last): bool
    {
        return strcmp($first->rank, $last->rank) <= 0;
    }

    /**
     * The siblings that a brace spans, in their order, other braces left out.
     *
     * @param  list<string>  $siblings  all below the parent, in their order
     * @return list<string>
     */
    public function spanned(Brace $brace, array $siblings): array
    {
        $plain = array_values(array_filter($siblings, fn (string $id): bool => ! isset($this->byTopic[$id])));
        [$from, $to] = [array_search($brace->first(), $plain, true), array_search($brace->last(), $plain, true)];

        return $from === false || $to === false ? [] : array_slice($plain, $from, $to - $from + 1);
    }
}
