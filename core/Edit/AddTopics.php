<?php

declare(strict_types=1);

namespace ChalkTree\Edit;

use ChalkTree\Map\TopicMap;

/** Adds several topics, each with what is below it, in one place: what is pasted from a map of ours. */
final readonly class AddTopics implements Edit
{
    /** @param  non-empty-list<TopicDraft>  $drafts */
    private function __construct(private Place $place, private array $drafts)
    {
    }

    public static function name(): string
    {
        return 'topic.add-many';
    }

    public static function read(Arguments $arguments): self
    {
        $drafts = array_map(TopicDraft::read(...), $arguments->nestedList('topics'));

        return $drafts === [] ? throw $arguments->wrong('topics', 'There is nothing to add.') : new self(Place::read($arguments), $drafts);
    }

    public function apply(TopicMap $map, Recorder $recorder): void
    {
        Planting::plant($map, $recorder, $this->place, $this->drafts);
    }

    public function sentence(TopicMap $map): string
    {
        $count = array_sum(array_map(fn (TopicDraft $draft): int => $draft->count(), $this->drafts));

        return 'Added '.($count === 1 ? Wording::excerpt($this->drafts[0]->title) : "{$count} topics").' '.$this->place->words($map);
    }
}
