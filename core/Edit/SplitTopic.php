<?php

declare(strict_types=1);

namespace ChalkTree\Edit;

use ChalkTree\Map\TopicMap;

/** Breaks a topic in two, as at the caret: it keeps the first part and what is below it, and a new one after it gets the second. */
final readonly class SplitTopic implements Edit
{
    private function __construct(private string $topic, private string $first, private string $second, private string $as)
    {
    }

    public static function name(): string
    {
        return 'topic.split';
    }

    /** "first" and "second" are inline Markdown, "as" the id of the new topic. */
    public static function read(Arguments $arguments): self
    {
        return new self($arguments->id('topic'), trim($arguments->title('first')), trim($arguments->title('second')), $arguments->id('as'));
    }

    public function apply(TopicMap $map, Recorder $recorder): void
    {
        $topic = $map->topic($this->topic);
        $recorder->put($topic->with(['title' => $this->first]));
        $place = $topic->id === $map->sheet()->root || $topic->parked !== null ? Place::below($topic->id) : Place::behind($topic);
        Planting::plant($map, $recorder, $place, [new TopicDraft($this->second, id: $this->as)]);
    }

    public function sentence(TopicMap $map): string
    {
        return 'Broke '.Wording::excerpt($this->first.' '.$this->second).' in two';
    }
}
