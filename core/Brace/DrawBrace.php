<?php

declare(strict_types=1);

namespace ChalkTree\Brace;

use ChalkTree\Edit\Arguments;
use ChalkTree\Edit\Edit;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Edit\Recorder;
use ChalkTree\Edit\TopicChoice;
use ChalkTree\Edit\Wording;
use ChalkTree\Map\Ids;
use ChalkTree\Map\Rank;
use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;

/** Draws a brace over siblings, from the first chosen to the last, with a new topic that it leads to. */
final readonly class DrawBrace implements Edit
{
    /** @param  non-empty-list<string>  $topics */
    private function __construct(private array $topics, private string $as)
    {
    }

    public static function name(): string
    {
        return 'brace.draw';
    }

    /** "topics", siblings; "as" is the id of the new topic. */
    public static function read(Arguments $arguments): self
    {
        return new self($arguments->ids('topics'), $arguments->id('as'));
    }

    public function apply(TopicMap $map, Recorder $recorder): void
    {
        $topics = array_map(fn (string $id): Topic => $map->topic($id, 'topics'), $this->topics);
        $parent = $topics[0]->parent;
        if ($parent === null || array_filter($topics, fn (Topic $topic): bool => $topic->parent !== $parent) !== []) {
            throw new InvalidEdit('A brace goes over topics that stand below the same one.', 'topics');
        }
        if ($map->row(Topic::type(), $this->as) !== null) {
            throw new InvalidEdit('There is a topic with this id already.', 'as');
        }
        $braces = Braces::of($map)->byTopic;
        if (array_filter($topics, fn (Topic $topic): bool => isset($braces[$topic->id])) !== []) {
            throw new InvalidEdit('A brace cannot go over another.', 'topics');
        }
        $order = array_map(strval(...), array_keys($map->children($parent)));
        usort($topics, fn (Topic $a, Topic $b): int => array_search($a->id, $order, true) <=> array_search($b->id, $order, true));
        [$first, $last] = [$topics[0], $topics[count($topics) - 1]];
        $after = $order[((int) array_search($last->id, $order, true)) + 1] ?? null;
        $rank = Rank::run($last->rank, $after === null ? null : $map->topic($after)->rank, 1)[0];
        $recorder->put(Topic::fromFields($this->as, ['parent' => $parent, 'rank' => $rank, 'side' => $first->side?->value]));
        $recorder->put(Brace::fromFields(Ids::next(), ['topic' => $this->as, 'first' => $first->id, 'last' => $last->id]));
    }

    public function sentence(TopicMap $map): string
    {
        return 'Drew a brace over '.Wording::several(TopicChoice::titles($map, array_values(array_filter($this->topics, $map->has(...)))));
    }
}
