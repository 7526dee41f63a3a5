<?php

declare(strict_types=1);

namespace ChalkTree\Edit;

use ChalkTree\Map\TopicMap;

/** Moves what is right below topics out beside them. */
final readonly class LiftChildren implements Edit
{
    /** @param  non-empty-list<string>  $topics */
    private function __construct(private array $topics)
    {
    }

    public static function name(): string
    {
        return 'topic.lift';
    }

    public static function read(Arguments $arguments): self
    {
        return new self($arguments->ids('topics'));
    }

    public function apply(TopicMap $map, Recorder $recorder): void
    {
        foreach ($this->topics as $id) {
            if ($id === $map->sheet()->root) {
                throw new InvalidEdit('There is no place beside the root of the map.', 'topics');
            }
            Lifting::lift($map, $recorder, $map->topic($id, 'topics'));
        }
    }

    public function sentence(TopicMap $map): string
    {
        return 'Lifted what was below '.Wording::several(TopicChoice::titles($map, $this->topics));
    }
}
