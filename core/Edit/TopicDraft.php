<?php

declare(strict_types=1);

namespace ChalkTree\Edit;

use ChalkTree\Map\Bounds;
use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\Ids;
use ChalkTree\Map\Rank;
use ChalkTree\Map\RowTypes;
use ChalkTree\Map\Side;
use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;

/** A topic that is not in a map yet, with the tree below it: what "topic" holds in topic.add, and what readers read. */
final class TopicDraft
{
    /**
     * @param  list<TopicDraft>  $children
     * @param  string|null  $was  the id of the topic that this is a copy of, where rows are about it
     * @param  list<FeatureRow>  $rows  what features keep of the topics in this draft and in those planted with it, by "was"
     */
    public function __construct(
        public string $title = '',
        public string $caption = '',
        public string $note = '',
        public array $children = [],
        public ?string $id = null,
        public ?Side $side = null,
        public bool $sideHeld = false,
        public ?string $was = null,
        public array $rows = [],
    ) {
    }

    /** @throws InvalidEdit */
    public static function read(Arguments $arguments): self
    {
        $top = self::one($arguments);
        $count = 1;
        $waiting = [[$arguments, $top, 1]];
        while (($next = array_pop($waiting)) !== null) {
            [$from, $parent, $depth] = $next;
            foreach ($from->has('children') ? $from->nestedList('children') : [] as $child) {
                if (++$count > Bounds::MOST_TOPICS || $depth > Bounds::DEEPEST) {
                    throw new InvalidEdit('One edit adds at most 20,000 topics, nested at most 1,000 deep.', 'topic');
                }
                $draft = self::one($child);
                $parent->children[] = $draft;
                $waiting[] = [$child, $draft, $depth + 1];
            }
            $from->refuseRest();
        }

        return $top;
    }

    /**
     * The rows of this tree, ready to be put in a map, parents first.
     *
     * @param  array<string, string>  $copies  gets the new ids by those of the originals
     * @return list<Topic>
     */
    public function rows(TopicMap $map, ?string $parent, string $rank, ?Side $side, array &$copies = []): array
    {
        $grow = fn (TopicDraft $draft): ?Side => $draft === $this ? $side : $draft->side;
        $rows = [];
        $taken = [];
        $waiting = [[$this, $parent, $rank]];
        while (($next = array_pop($waiting)) !== null) {
            [$draft, $above, $at] = $next;
            $id = $draft->id ?? Ids::next();
            if (isset($taken[$id]) || $map->row(Topic::type(), $id) !== null) {
                throw new InvalidEdit("There is already a topic with the id {$id}.", 'topic.id');
            }
            $taken[$id] = true;
            if ($draft->was !== null) {
                $copies[$draft->was] = $id;
            }
            $rows[] = new Topic(
                $id, $above, $at, $draft->title, $draft->caption, $draft->note,
                $grow($draft), $draft->sideHeld,
            );
            $ranks = Rank::run(null, null, count($draft->children));
            foreach (array_reverse($draft->children, true) as $i => $child) {
                $waiting[] = [$child, $id, $ranks[$i]];
            }
        }

        return $rows;
    }

    /** A branch of a map as a draft, with everything but its ids and places. */
    public static function of(TopicMap $map, string $branch): self
    {
        return self::several($map, [$branch])[0];
    }

    /**
     * Branches of a map as drafts to be planted together, so that what ties one to another goes along.
     *
     * @param  list<string>  $branches  none within another
     * @return list<self>
     */
    public static function several(TopicMap $map, array $branches): array
    {
        /** @var array<string, self> $drafts */
        $drafts = $topOf = [];
        $tops = array_flip($branches);
        foreach ($branches as $branch) {
            foreach ($map->branch($branch) as $id => $topic) {
                $drafts[$id] = new self($topic->title, $topic->caption, $topic->note);
                $topOf[$id] = $branch;
                if (! isset($tops[$id])) {
                    $drafts[$topic->parent]->children[] = $drafts[$id];
                }
            }
        }
        self::addRows($map, $drafts, $topOf);

        return array_map(fn (string $branch): self => $drafts[$branch], $branches);
    }

    /**
     * Topics as drafts, each without what is below it.
     *
     * @param  list<string>  $topics
     * @return list<self>
     */
    public static function alone(TopicMap $map, array $topics): array
    {
        $drafts = [];
        foreach ($topics as $id) {
            $topic = $map->topic($id);
            $drafts[$id] = new self($topic->title, $topic->caption, $topic->note);
        }
        self::addRows($map, $drafts, array_combine($topics, $topics));

        return array_values($drafts);
    }

    /**
     * Gives drafts what features say of their topics, but for what only holds where they stand now.
     *
     * @param  array<string, self>  $drafts  by the topics of which they are copies
     * @param  array<string, string>  $topOf  the topics at the top of their branches
     */
    private static function addRows(TopicMap $map, array $drafts, array $topOf): void
    {
        $living = $drafts === [] ? [] : $map->living();
        $ofMap = self::ofMap($living);
        $needed = [];
        foreach ($living as $row) {
            $topics = $row->topics();
            $isLeft = $topics !== [] && $row::isOfPlace() && ($topOf[$topics[0]] ?? null) === $topics[0];
            if ($topics !== [] && array_diff_key(array_flip($topics), $drafts) === [] && ! $isLeft) {
                $top = $drafts[$topOf[$topics[0]]];
                $top->rows[] = $row;
                array_push($top->rows, ...self::needed($row, $ofMap, $needed));
                foreach ($topics as $id) {
                    $drafts[$id]->was = $id;
                }
            }
        }
    }

    /**
     * The rows of all these drafts, about their copies, and those of the map that they need, as far as it has room.
     *
     * @param  list<self>  $drafts
     * @param  array<string, string>  $copies  new ids by those of the originals
     * @param  TopicMap  $map  into which they come
     * @return list<FeatureRow>
     */
    public static function rowsAbout(array $drafts, array $copies, TopicMap $map): array
    {
        $rows = array_merge(...array_map(fn (self $draft): array => $draft->rows, $drafts));
        $about = array_values(array_filter(array_map(fn (FeatureRow $row): ?FeatureRow => $row->isEmpty() ? null : $row->about($copies), $rows)));
        $ofMap = self::ofMap($rows);
        $needed = $room = [];
        foreach ($ofMap === [] ? [] : $about as $row) {
            self::needed($row, $ofMap, $needed);
        }
        foreach ($needed as $row) {
            $room[$row::type()] ??= Bounds::MOST_OF_MAP - count($map->rowsOf($row::class));
            if ($map->row($row::type(), $row->id) === null && $room[$row::type()]-- > 0) {
                $about[] = $row;
            }
        }

        return $about;
    }

    /**
     * @param  iterable<FeatureRow>  $rows
     * @return array<string, FeatureRow> those of the map, by sort and id
     */
    private static function ofMap(iterable $rows): array
    {
        $ofMap = [];
        foreach ($rows as $row) {
            if ($row::isOfMap()) {
                $ofMap["{$row::type()} {$row->id}"] = $row;
            }
        }

        return $ofMap;
    }

    /**
     * What a row needs, and what that needs.
     *
     * @param  array<string, FeatureRow>  $ofMap
     * @param  array<string, FeatureRow>  $needed  what others need already; gets what this one needs
     * @return list<FeatureRow> what nothing needed before
     */
    private static function needed(FeatureRow $row, array $ofMap, array &$needed): array
    {
        $found = [];
        for ($waiting = [$row]; ($next = array_pop($waiting)) !== null;) {
            foreach ($next->needs() as [$class, $id]) {
                $key = "{$class::type()} {$id}";
                if (isset($ofMap[$key]) && ! isset($needed[$key])) {
                    $waiting[] = $found[] = $needed[$key] = $ofMap[$key];
                }
            }
        }

        return $found;
    }

    /**
     * As read() takes it.
     *
     * @return array<string, mixed>
     */
    public function toArray(): array
    {
        $own = ['title' => $this->title, 'caption' => $this->caption, 'note' => $this->note, 'was' => $this->was];
        $blank = ['caption' => '', 'note' => '', 'was' => null];

        return array_filter($own, fn (mixed $value, string $key): bool => ! array_key_exists($key, $blank) || $value !== $blank[$key], ARRAY_FILTER_USE_BOTH)
            + ($this->rows === [] ? [] : ['rows' => array_map(fn (FeatureRow $row): array => ['type' => $row::type(), 'id' => $row->id, 'fields' => $row->saying()], $this->rows)])
            + ($this->children === [] ? [] : ['children' => array_map(fn (self $child): array => $child->toArray(), $this->children)]);
    }

    /** How many topics there are in this tree. */
    public function count(): int
    {
        $count = 0;
        $waiting = [$this];
        while (($draft = array_pop($waiting)) !== null) {
            $count++;
            array_push($waiting, ...$draft->children);
        }

        return $count;
    }

    private static function one(Arguments $arguments): self
    {
        return new self(
            $arguments->has('title') ? $arguments->title() : '',
            $arguments->has('caption') ? $arguments->caption() : '',
            $arguments->has('note') ? $arguments->note() : '',
            [],
            $arguments->has('id') ? $arguments->id('id') : null,
            was: $arguments->has('was') ? $arguments->id('was') : null,
            rows: $arguments->has('rows') ? self::readRows($arguments) : [],
        );
    }

    /** @return list<FeatureRow> */
    private static function readRows(Arguments $arguments): array
    {
        $rows = [];
        foreach ($arguments->nestedList('rows') as $from) {
            if (count($rows) >= Bounds::MOST_TOPICS) {
                throw $arguments->wrong('rows', 'One edit adds at most 20,000 of these.');
            }
            $class = RowTypes::ofFeature($from->string('type'));
            $rows[] = $class::fromFields($from->id('id'), $class::read($from->nested('fields')));
            $from->refuseRest();
        }

        return $rows;
    }
}
