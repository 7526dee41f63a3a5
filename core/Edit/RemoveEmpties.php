<?php

declare(strict_types=1);

namespace ChalkTree\Edit;

use ChalkTree\Map\TopicMap;

/** Takes out the topics of a branch that have no text and nothing below them, and then those that are left with nothing below. */
final readonly class RemoveEmpties implements Edit
{
    /** @param  non-empty-list<string>  $topics */
    private function __construct(private array $topics)
    {
    }

    public static function name(): string
    {
        return 'branch.empties';
    }

    public static function read(Arguments $arguments): self
    {
        return new self($arguments->ids('topics'));
    }

    public function apply(TopicMap $map, Recorder $recorder): void
    {
        foreach (array_reverse(TopicChoice::reach($map, $this->topics, true)) as $id => $topic) {
            if ($topic->isEmpty() && $id !== $map->sheet()->root && $map->children($id) === []) {
                Lifting::removeAlone($map, $recorder, $id);
            }
        }
    }

    public function sentence(TopicMap $map): string
    {
        return 'Removed empty topics from '.Wording::several(TopicChoice::titles($map, $this->topics));
    }
}
