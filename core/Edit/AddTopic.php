<?php

declare(strict_types=1);

namespace ChalkTree\Edit;

use ChalkTree\Map\TopicMap;

/** Adds a topic, with a whole small tree below it, in a given place. */
final readonly class AddTopic implements Edit
{
    private function __construct(private Place $place, private TopicDraft $draft)
    {
    }

    public static function name(): string
    {
        return 'topic.add';
    }

    public static function read(Arguments $arguments): self
    {
        return new self(Place::read($arguments), TopicDraft::read($arguments->nested('topic')));
    }

    public function apply(TopicMap $map, Recorder $recorder): void
    {
        Planting::plant($map, $recorder, $this->place, [$this->draft]);
    }

    public function sentence(TopicMap $map): string
    {
        $more = $this->draft->count() - 1;

        return 'Added '.Wording::excerpt($this->draft->title).($more > 0 ? " with {$more} below it" : '');
    }
}
