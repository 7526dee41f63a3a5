<?php

declare(strict_types=1);

namespace ChalkTree\Edit;

use ChalkTree\Map\Bounds;
use ChalkTree\Map\TopicMap;

/** Gives a topic another title. */
final class RetitleTopic implements Edit, MergesText
{
    use WrittenOver;

    private function __construct(private readonly string $topic, private readonly string $title, private readonly ?string $was)
    {
    }

    public static function name(): string
    {
        return 'topic.retitle';
    }

    public static function read(Arguments $arguments): self
    {
        return new self($arguments->id('topic'), $arguments->title(), $arguments->has('was') ? $arguments->title('was') : null);
    }

    public function apply(TopicMap $map, Recorder $recorder): void
    {
        $topic = $map->topic($this->topic);
        $recorder->put($topic->with(['title' => $this->over($this->was, $topic->title, $this->title, mb_strlen(...), Bounds::LONGEST_TITLE)]));
    }

    public function sentence(TopicMap $map): string
    {
        return 'Titled '.Wording::excerpt($this->title);
    }
}
