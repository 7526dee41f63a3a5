<?php

declare(strict_types=1);

namespace ChalkTree\Map;

/** The topics of a map and the tree they make. What is stored elsewhere is read when it is first asked for. */
final class TopicRows
{
    /** @var array<string, Topic> those that were read, by id */
    private array $topics = [];

    /** @var array<string, array<string, Topic>> topics in the map by parent ('' for none) and id */
    private array $children = [];

    /** @var array<string, true> parents whose children stand out of order */
    private array $unsorted = [];

    private ?StoredTopics $stored = null;

    /** @var array<string, true> parents whose children were read */
    private array $opened = [];

    /** @var array<string, true> what is stored and was dropped since */
    private array $dropped = [];

    /**
     * Puts topics where none of them is yet; for ten thousand of them, one put() each would take twice as long.
     *
     * @param  iterable<Topic>  $topics
     */
    public function fill(iterable $topics): void
    {
        foreach ($topics as $topic) {
            $this->topics[$topic->id] = $topic;
            if ($topic->removed === null) {
                $this->children[$topic->parent ?? ''][$topic->id] = $topic;
            }
        }
        foreach ($this->children as $parent => $_) {
            $this->unsorted[(string) $parent] = true;
        }
    }

    /** From now on these are there too; to be called before anything else. */
    public function lend(StoredTopics $stored): void
    {
        $this->stored = $stored;
    }

    /** Any topic, also one in the trash. */
    public function get(string $id): ?Topic
    {
        return $this->topics[$id] ?? ($this->stored === null ? null : $this->read($id));
    }

    private function read(string $id): ?Topic
    {
        $topic = isset($this->dropped[$id]) ? null : $this->stored?->topic($id);

        return $topic === null ? null : $this->topics[$id] = $topic;
    }

    public function put(Topic $topic): void
    {
        $id = $topic->id;
        $before = $this->get($id);
        $parent = $topic->parent ?? '';
        if ($before !== null && $before->removed === null && ($before->parent !== $topic->parent || $topic->removed !== null)) {
            $this->open($before->parent ?? '');
            unset($this->children[$before->parent ?? ''][$id]);
        }
        if ($topic->removed === null) {
            $this->open($parent);
            $this->children[$parent][$id] = $topic;
            $this->unsorted[$parent] = true;
        }
        $this->topics[$id] = $topic;
    }

    public function drop(string $id): void
    {
        $topic = $this->get($id);
        if ($topic === null) {
            return;
        }
        $this->open($topic->parent ?? '');
        unset($this->children[$topic->parent ?? ''][$id], $this->topics[$id]);
        $this->dropped[$id] = true;
    }

    /** @return array<string, Topic> the topics right below another, '' for none, in their order, by id */
    public function children(string $id): array
    {
        if ($this->stored !== null) {
            $this->open($id);
        }
        if (isset($this->unsorted[$id])) {
            $this->sort($id);
        }

        return $this->children[$id] ?? [];
    }

    /** @return array<string, Topic> every one, also those in the trash, by id */
    public function all(): array
    {
        if ($this->stored !== null) {
            foreach ($this->stored->all() as $topic) {
                if (isset($this->dropped[$topic->id])) {
                    continue;
                }
                $this->topics[$topic->id] ??= $topic;
                $this->open($topic->parent ?? '');
            }
            $this->stored = null;
            $this->opened = $this->dropped = [];
        }

        return $this->topics;
    }

    /** Reads the children of one topic, as they were stored; whatever changes them has to come after it. */
    private function open(string $parent): void
    {
        if ($this->stored === null || isset($this->opened[$parent])) {
            return;
        }
        $this->opened[$parent] = true;
        foreach ($this->stored->below($parent) as $id) {
            $topic = $this->get($id);
            if ($topic !== null) {
                $this->children[$parent][$id] = $topic;
            }
        }
        $this->unsorted[$parent] = true;
    }

    private function sort(string $parent): void
    {
        unset($this->unsorted[$parent]);
        $last = '';
        foreach ($this->children[$parent] ?? [] as $topic) {
            if (strcmp($last, $topic->rank) >= 0) {
                uasort(
                    $this->children[$parent],
                    fn (Topic $a, Topic $b): int => strcmp($a->rank, $b->rank) ?: strcmp($a->id, $b->id),
                );

                return;
            }
            $last = $topic->rank;
        }
    }
}
