<?php

declare(strict_types=1);

namespace ChalkTree\Edit;

use ChalkTree\Map\TopicMap;

/** Brings topics back from the parking lot: below the topic they stood below, or the root if that has gone; loose ones to where they were. */
final readonly class BringBackTopics implements Edit
{
    /** @param  non-empty-list<string>  $topics */
    private function __construct(private array $topics)
    {
    }

    public static function name(): string
    {
        return 'topic.bring-back';
    }

    public static function read(Arguments $arguments): self
    {
        return new self($arguments->ids('topics'));
    }

    public function apply(TopicMap $map, Recorder $recorder): void
    {
        foreach ($this->topics as $id) {
            $topic = $map->topic($id, 'topics');
            if ($topic->parked === null) {
                throw new InvalidEdit('This topic is not in the parking lot.', 'topics');
            }
            if ($topic->parked === $id) {
                $recorder->put($topic->with(['parked' => null]));

                continue;
            }
            $home = $map->has($topic->parked) && ! $map->isWithin($topic->parked, $id) ? $topic->parked : $map->sheet()->root;
            $place = Place::below($home);
            $recorder->put($topic->with([
                'parent' => $home, 'parked' => null, 'rank' => $place->ranks($map, $recorder, 1)[0], 'side' => $place->sideFor($map)?->value,
                'x' => null, 'y' => null,
            ]));
        }
    }

    public function sentence(TopicMap $map): string
    {
        return 'Brought back '.Wording::several(TopicChoice::titles($map, $this->topics)).' from the parking lot';
    }
}
