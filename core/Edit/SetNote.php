<?php

declare(strict_types=1);

namespace ChalkTree\Edit;

use ChalkTree\Map\TopicMap;

/** Sets the note of topics; empty takes it away. */
final readonly class SetNote implements Edit
{
    /** @param  non-empty-list<string>  $topics */
    private function __construct(private array $topics, private string $note)
    {
    }

    public static function name(): string
    {
        return 'topic.note';
    }

    public static function read(Arguments $arguments): self
    {
        return new self($arguments->ids('topics'), $arguments->note());
    }

    public function apply(TopicMap $map, Recorder $recorder): void
    {
        foreach ($this->topics as $id) {
            $recorder->put($map->topic($id, 'topics')->with(['note' => $this->note]));
        }
    }

    public function sentence(TopicMap $map): string
    {
        return 'Changed the note of '.Wording::several(TopicChoice::titles($map, $this->topics));
    }
}
