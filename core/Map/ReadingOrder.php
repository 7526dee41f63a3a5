<?php

declare(strict_types=1);

namespace ChalkTree\Map;

/** Which of two topics comes first where a map is read from its beginning to its end, told without reading all of it. */
final readonly class ReadingOrder
{
    public function __construct(private TopicMap $map)
    {
    }

    /** As <=> says it; both are in the map. */
    public function compare(string $a, string $b): int
    {
        [$one, $other] = [$this->way($a), $this->way($b)];
        foreach ($one as $i => $topic) {
            $beside = $other[$i] ?? null;
            if ($beside === null) {
                return 1;
            }
            if ($topic->id !== $beside->id) {
                $root = $this->map->sheet()->root;

                return ($beside->id === $root) <=> ($topic->id === $root) ?: strcmp($topic->rank, $beside->rank) ?: strcmp($topic->id, $beside->id);
            }
        }

        return count($one) <=> count($other);
    }

    /**
     * Where a topic comes in a list that is in order.
     *
     * @param  list<string>  $ids
     */
    public function place(array $ids, string $id): int
    {
        [$from, $to] = [0, count($ids)];
        while ($from < $to) {
            $middle = intdiv($from + $to, 2);
            if ($this->compare($ids[$middle], $id) < 0) {
                $from = $middle + 1;
            } else {
                $to = $middle;
            }
        }

        return $from;
    }

    /** @return list<Topic> from the top down to a topic */
    private function way(string $id): array
    {
        return [...array_reverse($this->map->ancestors($id)), $this->map->topic($id)];
    }
}
