<?php

declare(strict_types=1);

namespace ChalkTree\Edit;

use ChalkTree\Map\TopicMap;

/** Puts copies of branches in another place of the same map, in the order the originals stand in. */
final readonly class CopyTopics implements Edit
{
    /**
     * @param  non-empty-list<string>  $topics
     * @param  list<string>  $as
     */
    private function __construct(private array $topics, private Place $place, private array $as)
    {
    }

    public static function name(): string
    {
        return 'topic.copy';
    }

    public static function read(Arguments $arguments): self
    {
        return new self($arguments->ids('topics'), Place::read($arguments), $arguments->has('as') ? $arguments->ids('as') : []);
    }

    public function apply(TopicMap $map, Recorder $recorder): void
    {
        $drafts = TopicDraft::several($map, array_map(strval(...), array_keys(TopicChoice::tops($map, $this->topics))));
        foreach ($drafts as $i => $draft) {
            $draft->id = $this->as[$i] ?? null;
        }
        Planting::plant($map, $recorder, $this->place, $drafts);
    }

    public function sentence(TopicMap $map): string
    {
        return 'Copied '.Wording::several(TopicChoice::titles($map, $this->topics)).' '.$this->place->words($map);
    }
}
