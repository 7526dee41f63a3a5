<?php

declare(strict_types=1);

namespace ChalkTree\Edit;

use ChalkTree\Map\TopicMap;

/** Gives a topic another title. */
final readonly class RetitleTopic implements Edit
{
    private function __construct(private string $topic, private string $title)
    {
    }

    public static function name(): string
    {
        return 'topic.retitle';
    }

    public static function read(Arguments $arguments): self
    {
        return new self($arguments->id('topic'), $arguments->title());
    }

    public function apply(TopicMap $map, Recorder $recorder): void
    {
        $recorder->put($map->topic($this->topic)->with(['title' => $this->title]));
    }

    public function sentence(TopicMap $map): string
    {
        return 'Titled '.Wording::excerpt($this->title);
    }
}
