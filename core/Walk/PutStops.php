<?php

declare(strict_types=1);

namespace ChalkTree\Walk;

use ChalkTree\Edit\Arguments;
use ChalkTree\Edit\Edit;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Edit\Recorder;
use ChalkTree\Map\TopicMap;

/** Marks topics as stops of a walk, or moves those that are to another place in its order. */
final readonly class PutStops implements Edit
{
    /** @param  non-empty-list<string>  $topics */
    private function __construct(private array $topics, private bool $isLast, private ?string $after)
    {
    }

    public static function name(): string
    {
        return 'stop.put';
    }

    /** "topics" in the order they are to have; "after" the stop they come after, null to be the first, left out to be the last. */
    public static function read(Arguments $arguments): self
    {
        return new self(array_values(array_unique($arguments->ids('topics'))), ! $arguments->has('after'), $arguments->idOrNull('after'));
    }

    public function apply(TopicMap $map, Recorder $recorder): void
    {
        foreach ($this->topics as $topic) {
            $map->topic($topic, 'topics');
        }
        if (in_array($this->after, $this->topics, true)) {
            throw new InvalidEdit('A stop cannot come after itself.', 'after');
        }
        $rest = array_values(array_filter(Stops::of($map), fn (Stop $stop): bool => ! in_array($stop->id, $this->topics, true)));
        Stops::put($map, $recorder, $this->topics, $this->isLast && $rest !== [] ? $rest[count($rest) - 1]->id : $this->after);
    }

    public function sentence(TopicMap $map): string
    {
        return count($this->topics) === 1 ? 'Put a topic on the walk' : 'Put '.count($this->topics).' topics on the walk';
    }
}
