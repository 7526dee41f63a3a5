<?php

declare(strict_types=1);

namespace ChalkTree\Edit;

use ChalkTree\Map\TopicMap;

/** Sets topics aside, with what is below them, in the parking lot: out of the tree, of exports and of shows. */
final readonly class ParkTopics implements Edit
{
    /** @param  non-empty-list<string>  $topics */
    private function __construct(private array $topics)
    {
    }

    public static function name(): string
    {
        return 'topic.park';
    }

    public static function read(Arguments $arguments): self
    {
        return new self($arguments->ids('topics'));
    }

    public function apply(TopicMap $map, Recorder $recorder): void
    {
        foreach (TopicChoice::tops($map, $this->topics) as $id => $topic) {
            if ($id === $map->sheet()->root) {
                throw new InvalidEdit('The root of the map cannot be parked.', 'topics');
            }
            if ($topic->parked === null) {
                $recorder->put($topic->with([
                    'parent' => null, 'parked' => $topic->parent ?? $id, 'side' => null, 'sideHeld' => false,
                    'column' => null,
                ]));
            }
        }
    }

    public function sentence(TopicMap $map): string
    {
        return 'Parked '.Wording::several(TopicChoice::titles($map, $this->topics));
    }
}
