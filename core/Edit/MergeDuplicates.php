<?php

declare(strict_types=1);

namespace ChalkTree\Edit;

use ChalkTree\Map\TopicMap;
use ChalkTree\Text\Sameness;

/** Merges the topics of a branch that say the same: the first keeps its place and gets the notes, captions and subtopics of the others. */
final readonly class MergeDuplicates implements Edit
{
    /** @param  non-empty-list<string>  $topics */
    private function __construct(private array $topics)
    {
    }

    public static function name(): string
    {
        return 'branch.duplicates';
    }

    public static function read(Arguments $arguments): self
    {
        return new self($arguments->ids('topics'));
    }

    public function apply(TopicMap $map, Recorder $recorder): void
    {
        $first = [];
        // In reading order, so that a topic is never merged into one below it, nor the root into another.
        foreach (array_keys(TopicChoice::reach($map, TopicChoice::inOrder($map, $this->topics), true)) as $id) {
            $topic = $map->topic($id);
            $key = Sameness::key($topic->title);
            if ($key === '' || ! isset($first[$key])) {
                $first[$key] = $id;
            } else {
                JoinTopics::into($map, $recorder, $map->topic($first[$key]), $topic, null);
            }
        }
    }

    public function sentence(TopicMap $map): string
    {
        return 'Merged duplicates in '.Wording::several(TopicChoice::titles($map, $this->topics));
    }
}
