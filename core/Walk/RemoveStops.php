<?php

declare(strict_types=1);

namespace ChalkTree\Walk;

use ChalkTree\Edit\Arguments;
use ChalkTree\Edit\Edit;
use ChalkTree\Edit\Recorder;
use ChalkTree\Map\TopicMap;

/** Takes topics off the walk; what was no stop stays none. */
final readonly class RemoveStops implements Edit
{
    /** @param  non-empty-list<string>  $topics */
    private function __construct(private array $topics)
    {
    }

    public static function name(): string
    {
        return 'stop.remove';
    }

    public static function read(Arguments $arguments): self
    {
        return new self($arguments->ids('topics'));
    }

    public function apply(TopicMap $map, Recorder $recorder): void
    {
        foreach ($this->topics as $topic) {
            $map->topic($topic, 'topics');
            if ($map->row(Stop::type(), $topic) !== null) {
                $recorder->drop(Stop::type(), $topic);
            }
        }
    }

    public function sentence(TopicMap $map): string
    {
        return count($this->topics) === 1 ? 'Took a topic off the walk' : 'Took '.count($this->topics).' topics off the walk';
    }
}
