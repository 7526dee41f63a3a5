<?php

declare(strict_types=1);

namespace ChalkTree\Edit;

use ChalkTree\Map\Ids;
use ChalkTree\Map\Rank;
use ChalkTree\Map\Side;
use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;

/** A topic that is not in a map yet, with the tree below it: what "topic" holds in topic.add, and what readers read. */
final class TopicDraft
{
    private const DEEPEST = 1000;

    /** @param  list<TopicDraft>  $children */
    public function __construct(
        public string $title = '',
        public string $caption = '',
        public string $note = '',
        public ?int $width = null,
        public array $children = [],
        public ?string $id = null,
        public ?Side $side = null,
        public bool $sideHeld = false,
        public ?string $numbering = null,
        public int $numberFrom = 1,
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
                if (++$count > Arguments::MOST_TOPICS || $depth > self::DEEPEST) {
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
     * @return list<Topic>
     */
    public function rows(TopicMap $map, ?string $parent, string $rank, ?Side $side): array
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
            $rows[] = new Topic(
                $id, $above, $at, $draft->title, $draft->caption, $draft->note,
                $grow($draft), $draft->sideHeld, $draft->width, numbering: $draft->numbering, numberFrom: $draft->numberFrom,
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
        /** @var array<string, self> $drafts */
        $drafts = [];
        foreach ($map->branch($branch) as $id => $topic) {
            $drafts[$id] = new self(
                $topic->title, $topic->caption, $topic->note, $topic->width,
                numbering: $topic->numbering, numberFrom: $topic->numberFrom,
            );
            if ($id !== $branch) {
                $drafts[$topic->parent]->children[] = $drafts[$id];
            }
        }

        return $drafts[$branch];
    }

    /**
     * As read() takes it.
     *
     * @return array<string, mixed>
     */
    public function toArray(): array
    {
        $own = ['title' => $this->title, 'caption' => $this->caption, 'note' => $this->note, 'width' => $this->width, 'numbering' => $this->numbering, 'numberFrom' => $this->numberFrom];
        $blank = ['caption' => '', 'note' => '', 'width' => null, 'numbering' => null, 'numberFrom' => 1];

        return array_filter($own, fn (mixed $value, string $key): bool => ! array_key_exists($key, $blank) || $value !== $blank[$key], ARRAY_FILTER_USE_BOTH)
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
            $arguments->has('width') ? $arguments->intOrNull('width', SetWidth::LEAST, SetWidth::MOST) : null,
            [],
            $arguments->has('id') ? $arguments->id('id') : null,
            numbering: $arguments->has('numbering') ? $arguments->numberingOrNull('numbering') : null,
            numberFrom: $arguments->has('numberFrom') ? $arguments->int('numberFrom', 0, 9999) : 1,
        );
    }
}
