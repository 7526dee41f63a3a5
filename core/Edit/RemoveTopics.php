<?php

declare(strict_types=1);

namespace ChalkTree\Edit;

use ChalkTree\Map\TopicMap;

/** Takes topics and all below them out of the map and into its trash. */
final readonly class RemoveTopics implements Edit
{
    /** @param  non-empty-list<string>  $topics */
    private function __construct(private array $topics)
    {
    }

    public static function name(): string
    {
        return 'topic.remove';
    }

    public static function read(Arguments $arguments): self
    {
        return new self($arguments->ids('topics'));
    }

    public function apply(TopicMap $map, Recorder $recorder): void
    {
        foreach (TopicChoice::tops($map, $this->topics) as $top) {
            if ($top->id === $map->sheet()->root) {
                throw new InvalidEdit('The root of the map cannot be removed; change its title instead.', 'topics');
            }
            foreach ($map->branch($top->id) as $topic) {
                $recorder->put($topic->with(['removed' => $top->id]));
            }
        }
    }

    public function sentence(TopicMap $map): string
    {
        return 'Removed '.Wording::several(TopicChoice::titles($map, $this->topics));
    }
}
