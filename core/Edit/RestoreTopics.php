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
        $back = [];
        foreach ($this->topics as $id) {
            $gone = $map->removedWith($id);
            if ($gone === []) {
                throw new InvalidEdit('No branch was removed under this id.', 'topics');
            }
            foreach ($gone as $topic) {
                $recorder->put($topic->with(['removed' => null]));
                $back[$topic->id] = $id;
            }
        }
        // Only now, because one of these branches may have stood in another.
        foreach ($back as $id => $top) {
            $topic = $map->topic((string) $id);
            if ($topic->parent !== null && ! $map->has($topic->parent)) {
                $home = $topic->id === $top ? $map->sheet()->root : $top;
                $place = Place::below($home);
                Lifting::put($map, $recorder, $topic, $home, $place->ranks($map, $recorder, 1)[0], $place->sideFor($map));
            }
        }
    }

    public function sentence(TopicMap $map): string
    {
        return 'Restored '.Wording::several(TopicChoice::titles($map, $this->topics));
    }
}
