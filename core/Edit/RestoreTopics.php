<?php

declare(strict_types=1);

namespace ChalkTree\Edit;

use ChalkTree\Map\TopicMap;

/** Brings branches back from the map's trash: to where they were, or to the root where that place is gone. */
final readonly class RestoreTopics implements Edit
{
    /** @param  non-empty-list<string>  $topics */
    private function __construct(private array $topics)
    {
    }

    public static function name(): string
    {
        return 'topic.restore';
    }

    public static function read(Arguments $arguments): self
    {
        return new self($arguments->ids('topics'));
    }

    public function apply(TopicMap $map, Recorder $recorder): void
    {
        foreach ($this->topics as $id) {
            $gone = $map->removedWith($id);
            if ($gone === []) {
                throw new InvalidEdit('No branch was removed under this id.', 'topics');
            }
            foreach ($gone as $topic) {
                $recorder->put($topic->with(['removed' => null]));
            }
            $top = $map->topic($id);
            if ($top->parent !== null && ! $map->has($top->parent)) {
                $root = Place::read(new Arguments(['parent' => $map->sheet()->root]));
                $recorder->put($top->with([
                    'parent' => $map->sheet()->root,
                    'rank' => $root->ranks($map, $recorder, 1)[0],
                    'side' => $root->sideFor($map)?->value,
                ]));
            }
        }
    }

    public function sentence(TopicMap $map): string
    {
        return 'Restored '.Wording::several(TopicChoice::titles($map, $this->topics));
    }
}
