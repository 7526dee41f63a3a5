<?php

declare(strict_types=1);

namespace ChalkTree\Compare;

use ChalkTree\Edit\Arguments;
use ChalkTree\Edit\Edit;
use ChalkTree\Edit\Planting;
use ChalkTree\Edit\Recorder;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\Edit\Wording;
use ChalkTree\Map\TopicMap;

/** Takes a branch over that only the other map has. */
final readonly class BringTopics implements Edit
{
    private function __construct(private Beside $beside, private TopicDraft $draft)
    {
    }

    public static function name(): string
    {
        return 'compare.bring';
    }

    /** "topic", as topic.add has it, and where it comes, as Beside reads it. */
    public static function read(Arguments $arguments): self
    {
        return new self(Beside::read($arguments), TopicDraft::read($arguments->nested('topic')));
    }

    public function apply(TopicMap $map, Recorder $recorder): void
    {
        Planting::plant($map, $recorder, $this->beside->place($map), [$this->draft]);
    }

    public function sentence(TopicMap $map): string
    {
        $count = $this->draft->count();

        return 'Took over '.Wording::excerpt($this->draft->title).($count === 1 ? '' : ' with '.($count - 1).' below it');
    }
}
