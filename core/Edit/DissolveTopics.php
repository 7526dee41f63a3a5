<?php

declare(strict_types=1);

namespace ChalkTree\Edit;

use ChalkTree\Map\TopicMap;

/** Takes topics away and leaves what is below them in their place. Their text goes to the trash. */
final readonly class DissolveTopics implements Edit
{
    /** @param  non-empty-list<string>  $topics */
    private function __construct(private array $topics)
    {
    }

    public static function name(): string
    {
        return 'topic.dissolve';
    }

    public static function read(Arguments $arguments): self
    {
        return new self($arguments->ids('topics'));
    }

    public function apply(TopicMap $map, Recorder $recorder): void
    {
        foreach ($this->topics as $id) {
            $topic = $map->topic($id, 'topics');
            if ($id === $map->sheet()->root) {
                throw new InvalidEdit('The root of the map cannot be dissolved.', 'topics');
            }
            Lifting::lift($map, $recorder, $topic);
            Lifting::removeAlone($map, $recorder, $id);
        }
    }

    public function sentence(TopicMap $map): string
    {
        return 'Dissolved '.Wording::several(TopicChoice::titles($map, $this->topics));
    }
}
