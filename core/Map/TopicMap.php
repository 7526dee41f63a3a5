<?php

declare(strict_types=1);

namespace ChalkTree\Map;

use Closure;

/**
 * A map in memory: its rows, and the tree they make. Asking is for everyone; put() and drop() are for the recorder
 * and for whoever builds a map from nothing.
 */
final class TopicMap
{
    /** @var array<string, array<string, Row>> by type and id */
    private array $rows = [];

    /** @var array<string, array<string, Topic>> topics in the map by parent ('' for none) and id */
    private array $children = [];

    /** @var (Closure(): iterable<Row>)|null brings the rows of features, until they are asked for */
    private ?Closure $rest = null;

    /** @var array<string, true> parents whose children stand out of order */
    private array $unsorted = [];

    /** @param  iterable<Row>  $rows */
    public function __construct(iterable $rows = [])
    {
        foreach ($rows as $row) {
            $this->put($row);
        }
    }

    /**
     * Puts topics into a map that has none of them yet; for ten thousand of them, one put() each would take twice as long.
     *
     * @param  iterable<Topic>  $topics
     */
    public function fill(iterable $topics): void
    {
        foreach ($topics as $topic) {
            $this->rows['topic'][$topic->id] = $topic;
            if ($topic->removed === null) {
                $this->children[$topic->parent ?? ''][$topic->id] = $topic;
            }
        }
        foreach ($this->children as $parent => $_) {
            $this->unsorted[(string) $parent] = true;
        }
    }

    /**
     * Lends the rows of features, which are fetched when the first of them is asked for.
     *
     * @param  Closure(): iterable<Row>  $fetch
     */
    public function lend(Closure $fetch): void
    {
        $this->rest = $fetch;
    }

    /** A copy stays as it is, so it cannot wait with fetching. */
    public function __clone()
    {
        $this->fetch();
    }

    private function fetch(): void
    {
        [$fetch, $this->rest] = [$this->rest, null];
        foreach ($fetch === null ? [] : $fetch() as $row) {
            $this->rows[$row::type()][$row->id()] = $row;
        }
    }

    public function row(string $type, string $id): ?Row
    {
        if ($this->rest !== null && ! isset($this->rows[$type])) {
            $this->fetch();
        }

        return $this->rows[$type][$id] ?? null;
    }

    /** @return array<string, array<string, Row>> by type and id */
    public function rows(): array
    {
        $this->fetch();

        return $this->rows;
    }

    /**
     * The rows of features that are in the map: all topics that they are about are.
     *
     * @return list<FeatureRow>
     */
    public function living(): array
    {
        $living = [];
        foreach (array_diff_key($this->rows(), [Sheet::type() => 1, Topic::type() => 1]) as $rows) {
            foreach ($rows as $row) {
                if ($row instanceof FeatureRow && $this->isLiving($row)) {
                    $living[] = $row;
                }
            }
        }

        return $living;
    }

    public function isLiving(Row $row): bool
    {
        foreach ($row->topics() as $id) {
            if ($this->find($id) === null) {
                return false;
            }
        }

        return true;
    }

    public function put(Row $row): void
    {
        if ($row instanceof FeatureRow) {
            $this->fetch();
        }
        $type = $row::type();
        $id = $row->id();
        if ($row instanceof Topic) {
            $before = $this->rows[$type][$id] ?? null;
            $parent = $row->parent ?? '';
            if ($before instanceof Topic && $before->removed === null && ($before->parent !== $row->parent || $row->removed !== null)) {
                unset($this->children[$before->parent ?? ''][$id]);
            }
            if ($row->removed === null) {
                $this->children[$parent][$id] = $row;
                $this->unsorted[$parent] = true;
            }
        }
        $this->rows[$type][$id] = $row;
    }

    public function drop(string $type, string $id): void
    {
        $row = $this->row($type, $id);
        if ($row instanceof Topic) {
            unset($this->children[$row->parent ?? ''][$id]);
        }
        unset($this->rows[$type][$id]);
    }

    /**
     * The rows of one sort that features keep, also of topics in the trash.
     *
     * @template T of FeatureRow
     *
     * @param  class-string<T>  $class
     * @return array<string, T> by id
     */
    public function rowsOf(string $class): array
    {
        $this->rest === null ?: $this->fetch();

        /** @var array<string, T> rows stand under the type of their class */
        return $this->rows[$class::type()] ?? [];
    }

    public function sheet(): Sheet
    {
        $sheet = $this->rows[Sheet::type()][Sheet::ID] ?? null;

        return $sheet instanceof Sheet ? $sheet : throw MissingTopic::called(Sheet::ID);
    }

    public function root(): Topic
    {
        return $this->topic($this->sheet()->root);
    }

    public function has(string $id): bool
    {
        return $this->find($id) !== null;
    }

    /** A topic that is in the map, not in its trash. */
    public function find(string $id): ?Topic
    {
        $topic = $this->rows['topic'][$id] ?? null;

        return $topic instanceof Topic && $topic->removed === null ? $topic : null;
    }

    public function topic(string $id, string $field = 'topic'): Topic
    {
        return $this->find($id) ?? throw MissingTopic::called($id, $field);
    }

    /** @return array<string, Topic> the topics right below, in their order, by id */
    public function children(string $id): array
    {
        if (isset($this->unsorted[$id])) {
            $this->sort($id);
        }

        return $this->children[$id] ?? [];
    }

    /** @return array<string, Topic> topics without a parent other than the root and those parked, in their order, by id */
    public function loose(): array
    {
        $loose = array_filter($this->children(''), fn (Topic $topic): bool => $topic->parked === null);
        unset($loose[$this->sheet()->root]);

        return $loose;
    }

    /** @return array<string, Topic> the parking lot: topics set aside, each with what is below it, by id */
    public function parked(): array
    {
        return array_filter($this->children(''), fn (Topic $topic): bool => $topic->parked !== null);
    }

    /** @return array<string, Topic> the loose topics in a column, in their order, by id */
    public function column(string $column): array
    {
        return array_filter($this->loose(), fn (Topic $topic): bool => $topic->column === $column);
    }

    /** @return list<Topic> the topics above, nearest first */
    public function ancestors(string $id): array
    {
        $above = [];
        $topic = $this->find($id);
        while ($topic?->parent !== null && ($topic = $this->find($topic->parent)) !== null) {
            $above[] = $topic;
        }

        return $above;
    }

    /** @return array<string, Topic> the topic and all below it, each before what is below it, by id */
    public function branch(string $id): array
    {
        $branch = [];
        $stack = [$this->topic($id)];
        while (($topic = array_pop($stack)) !== null) {
            $branch[$topic->id] = $topic;
            if (isset($this->children[$topic->id])) {
                array_push($stack, ...array_reverse(array_values($this->children($topic->id))));
            }
        }

        return $branch;
    }

    /** @return array<string, Topic> every topic in the map in reading order, those in the parking lot left out: the root's branch, then the loose ones */
    public function all(): array
    {
        $all = $this->branch($this->sheet()->root);
        foreach ($this->loose() as $id => $topic) {
            $all += $this->branch((string) $id);
        }

        return $all;
    }

    /** @return array<string, Topic> the same, and then what is in the parking lot */
    public function everything(): array
    {
        $all = $this->all();
        foreach ($this->parked() as $id => $topic) {
            $all += $this->branch((string) $id);
        }

        return $all;
    }

    /** @return list<Topic> the trash: the topics at whose removal a branch went */
    public function removedTops(): array
    {
        $tops = [];
        foreach ($this->rows['topic'] ?? [] as $topic) {
            if ($topic instanceof Topic && $topic->removed === $topic->id) {
                $tops[] = $topic;
            }
        }

        return $tops;
    }

    /** @return list<Topic> everything that was removed together with this topic, itself too */
    public function removedWith(string $id): array
    {
        $gone = [];
        foreach ($this->rows['topic'] ?? [] as $topic) {
            if ($topic instanceof Topic && $topic->removed === $id) {
                $gone[] = $topic;
            }
        }

        return $gone;
    }

    public function isWithin(string $id, string $branch): bool
    {
        if ($id === $branch) {
            return true;
        }
        foreach ($this->ancestors($id) as $above) {
            if ($above->id === $branch) {
                return true;
            }
        }

        return false;
    }

    /** How many levels a branch has, its top counted; no more than asked for are counted. */
    public function height(string $id, int $most = PHP_INT_MAX): int
    {
        $height = 0;
        for ($level = [$id]; $level !== [] && $height < $most; $height++) {
            $below = [];
            foreach ($level as $at) {
                foreach ($this->children[$at] ?? [] as $child) {
                    $below[] = $child->id;
                }
            }
            $level = $below;
        }

        return $height;
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
