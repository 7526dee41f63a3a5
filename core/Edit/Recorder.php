<?php

declare(strict_types=1);

namespace ChalkTree\Edit;

use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\Row;
use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;

/**
 * Stands between edits and a map: every row that is put or dropped goes through here and is noted, with what was
 * there first. It does not care what the rows mean.
 */
final class Recorder
{
    /** @var array<string, array{type: string, id: string, first: Row|null}> */
    private array $touched = [];

    /**
     * @param  int|null  $now  seconds since 1970, kept in the topics whose text changes; null to leave that as it is
     * @param  string  $author  the name of whoever makes the edit, for what is signed
     */
    public function __construct(private readonly TopicMap $map, private readonly ?int $now = null, public readonly string $author = '')
    {
    }

    public function put(Row $row): void
    {
        $this->note($row::type(), $row->id());
        $this->map->put($this->now !== null && $row instanceof Topic ? $this->dated($row, $this->now) : $row);
    }

    /** Puts what a feature says of a topic; a row that says nothing goes. */
    public function keep(FeatureRow $row): void
    {
        if ($row->saying() !== []) {
            $this->put($row);
        } elseif ($this->map->row($row::type(), $row->id) !== null) {
            $this->drop($row::type(), $row->id);
        }
    }

    /** Whether a row was put or dropped. */
    public function has(string $type, string $id): bool
    {
        return isset($this->touched["{$type} {$id}"]);
    }

    public function drop(string $type, string $id): void
    {
        $this->note($type, $id);
        $this->map->drop($type, $id);
    }

    /** @return array<string, Row|null> the rows of a type that were put or dropped so far, as they were at the beginning, by id; null for new ones */
    public function beforeOf(string $type): array
    {
        $rows = [];
        foreach ($this->touched as ['type' => $its, 'id' => $id, 'first' => $first]) {
            if ($its === $type) {
                $rows[$id] = $first;
            }
        }

        return $rows;
    }

    /** @return array<string, Topic|null> the topics put or dropped so far as they were at the beginning, by id; null for new ones */
    public function touchedTopics(): array
    {
        $topics = [];
        foreach ($this->touched as ['type' => $type, 'id' => $id, 'first' => $first]) {
            if ($type === Topic::type()) {
                $topics[$id] = $first instanceof Topic ? $first : null;
            }
        }

        return $topics;
    }

    /** What has changed from the beginning to now; rows that are again as they were do not count. */
    public function changes(): Changes
    {
        $changes = [];
        foreach ($this->touched as ['type' => $type, 'id' => $id, 'first' => $first]) {
            $change = Change::between($type, $id, $first, $this->map->row($type, $id));
            if ($change !== null) {
                $changes[] = $change;
            }
        }

        return new Changes($changes);
    }

    /** Puts the map back as it was at the beginning. */
    public function rollBack(): void
    {
        foreach (array_reverse($this->touched) as ['type' => $type, 'id' => $id, 'first' => $first]) {
            if ($first === null) {
                $this->map->drop($type, $id);
            } else {
                $this->map->put($first);
            }
        }
        $this->touched = [];
    }

    private function dated(Topic $topic, int $now): Topic
    {
        $before = $this->map->row(Topic::type(), $topic->id);
        $isNews = ! $before instanceof Topic || $topic->saysOtherThan($before) || $topic->removed !== $before->removed;

        return $isNews && $topic->changed !== $now ? $topic->with(['changed' => $now]) : $topic;
    }

    private function note(string $type, string $id): void
    {
        $this->touched["{$type} {$id}"] ??= ['type' => $type, 'id' => $id, 'first' => $this->map->row($type, $id)];
    }
}
