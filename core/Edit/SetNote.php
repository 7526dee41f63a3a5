<?php

declare(strict_types=1);

namespace ChalkTree\Edit;

use ChalkTree\Map\Bounds;
use ChalkTree\Map\TopicMap;

/** Sets the note of topics; empty takes it away. */
final class SetNote implements Edit, MergesText
{
    use WrittenOver;

    /** @param  non-empty-list<string>  $topics */
    private function __construct(private readonly array $topics, private readonly string $note, private readonly ?string $was)
    {
    }

    public static function name(): string
    {
        return 'topic.note';
    }

    public static function read(Arguments $arguments): self
    {
        return new self($arguments->ids('topics'), $arguments->note(), $arguments->has('was') ? $arguments->note('was') : null);
    }

    public function apply(TopicMap $map, Recorder $recorder): void
    {
        foreach ($this->topics as $id) {
            $topic = $map->topic($id, 'topics');
            $recorder->put($topic->with(['note' => $this->over($this->was, $topic->note, $this->note, strlen(...), Bounds::LONGEST_NOTE)]));
        }
    }

    public function sentence(TopicMap $map): string
    {
        return 'Changed the note of '.Wording::several(TopicChoice::titles($map, $this->topics));
    }
}
