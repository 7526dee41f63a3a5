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
    private ?Sheet $sheet = null;

    private TopicRows $topics;

    private FeatureRows $kept;

    /** @param  iterable<Row>  $rows */
    public function __construct(iterable $rows = [])
    {
        $this->topics = new TopicRows;
        $this->kept = new FeatureRows;
        foreach ($rows as $row) {
            $this->put($row);
        }
    }

    /** Copies change apart; what is not read yet, each reads for itself. */
    public function __clone()
    {
        $this->topics = clone $this->topics;
        $this->kept = clone $this->kept;
    }

    /**
     * Puts topics into a map that has none of them yet.
     *
     * @param  iterable<Topic>  $topics
     */
    public function fill(iterable $topics): void
    {
        $this->topics->fill($topics);
    }

    /** Lends a map that has no topics yet those that lie elsewhere; each is read when it is asked for. */
    public function lendTopics(StoredTopics $stored): void
    {
        $this->topics->lend($stored);
    }

    /**
     * Lends the rows of features, which are read sort by sort when the first of one is asked for, and made one by one.
     *
     * @param  Closure(string): array<string, string|array<string, scalar|null>>  $read  all rows of a type by id, their fields as JSON or as they are; the same whenever it is called
     */
    public function lendRows(Closure $read): void
    {
        $this->kept->lend($read);
    }

    public function row(string $type, string $id): ?Row
    {
        return match ($type) {
            'topic' => $this->topics->get($id),
            'map' => $id === Sheet::ID ? $this->sheet : null,
            default => $this->kept->get($type, $id),
        };
    }

    /** @return array<string, array<string, Row>> by type and id */
    public function rows(): array
    {
        $rows = $this->sheet === null ? [] : [Sheet::type() => [Sheet::ID => $this->sheet]];
        $topics = $this->topics->all();

        return $rows + ($topics === [] ? [] : [Topic::type() => $topics]) + $this->kept->all();
    }

    /**
     * The rows of features that are in the map: all topics that they are about are.
     *
     * @return list<FeatureRow>
     */
    public function living(): array
    {
        $living = [];
        foreach ($this->kept->all() as $rows) {
            foreach ($rows as $row) {
                if ($this->isLiving($row)) {
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
        match (true) {
            $row instanceof Topic => $this->topics->put($row),
            $row instanceof FeatureRow => $this->kept->put($row),
            $row instanceof Sheet => $this->sheet = $row,
            default => throw new UnknownRowType('There is no such sort of row.', 'type'),
        };
    }

    public function drop(string $type, string $id): void
    {
        match ($type) {
            'topic' => $this->topics->drop($id),
            'map' => $this->sheet = null,
            default => $this->kept->drop($type, $id),
        };
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
        /** @var array<string, T> rows stand under the type of their class */
        return $this->kept->ofType($class::type());
    }

    /**
     * Whether there is a row of a sort, which is known before any of them is made.
     *
     * @param  class-string<FeatureRow>  $class
     */
    public function hasRowsOf(string $class): bool
    {
        return $this->kept->has($class::type());
    }

    /**
     * All rows of a sort as JSON of the fields that say something, by id.
     *
     * @param  class-string<FeatureRow>  $class
     * @return array<string, string>
     */
    public function written(string $class): array
    {
        return $this->kept->written($class::type());
    }

    /**
     * The ids of the rows of a sort in whose fields some text stands, which is found without making any of them.
     *
     * @param  class-string<FeatureRow>  $class
     * @param  bool  $anyCase  whether A is a; for texts of ASCII
     * @return list<string>
     */
    public function rowsNaming(string $class, string $text, bool $anyCase = false): array
    {
        return $this->kept->naming($class::type(), $text, $anyCase);
    }

    public function sheet(): Sheet
    {
        return $this->sheet ?? throw MissingTopic::called(Sheet::ID);
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
        $topic = $this->topics->get($id);

        return $topic !== null && $topic->removed === null ? $topic : null;
    }

    public function topic(string $id, string $field = 'topic'): Topic
    {
        return $this->find($id) ?? throw MissingTopic::called($id, $field);
    }

    /** @return array<string, Topic> the topics right below, in their order, by id */
    public function children(string $id): array
    {
        return $this->topics->children($id);
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
            $below = $this->topics->children($topic->id);
            if ($below !== []) {
                array_push($stack, ...array_reverse(array_values($below)));
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
        foreach ($this->topics->all() as $topic) {
            if ($topic->removed === $topic->id) {
                $tops[] = $topic;
            }
        }

        return $tops;
    }

    /** @return list<Topic> everything that was removed together with this topic, itself too */
    public function removedWith(string $id): array
    {
        $gone = [];
        foreach ($this->topics->all() as $topic) {
            if ($topic->removed === $id) {
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
                foreach ($this->topics->children($at) as $child) {
                    $below[] = $child->id;
                }
            }
            $level = $below;
        }

        return $height;
    }
}
