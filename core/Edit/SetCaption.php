<?php

declare(strict_types=1);

namespace ChalkTree\Edit;

use ChalkTree\Map\TopicMap;

/** Sets the caption of topics; empty takes it away. */
final readonly class SetCaption implements Edit
{
    /** @param  non-empty-list<string>  $topics */
    private function __construct(private array $topics, private string $caption)
    {
    }

    public static function name(): string
    {
        return 'topic.caption';
    }

    public static function read(Arguments $arguments): self
    {
        return new self($arguments->ids('topics'), $arguments->caption());
    }

    public function apply(TopicMap $map, Recorder $recorder): void
    {
        foreach ($this->topics as $id) {
            $recorder->put($map->topic($id, 'topics')->with(['caption' => $this->caption]));
        }
    }

    public function sentence(TopicMap $map): string
    {
        return 'Changed the caption of '.Wording::several(TopicChoice::titles($map, $this->topics));
    }
}
