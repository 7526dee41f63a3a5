<?php

declare(strict_types=1);

namespace ChalkTree\Process;

use ChalkTree\CrossLink\TurnLinks;
use ChalkTree\Edit\Arguments;
use ChalkTree\Edit\Edit;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Edit\MoveTopics;
use ChalkTree\Edit\Recorder;
use ChalkTree\Edit\TopicChoice;
use ChalkTree\Edit\Wording;
use ChalkTree\Map\TopicMap;

/** Puts a topic on a way between two steps: a step of the same process leaves its place, whose ways close; any other topic comes to be a step. */
final readonly class PutStep implements Edit
{
    private function __construct(private string $topic, private string $link, private string $as)
    {
    }

    public static function name(): string
    {
        return 'flow.put';
    }

    /** "topic", "link", and "as", the id of the way on from it. */
    public static function read(Arguments $arguments): self
    {
        return new self($arguments->id('topic'), $arguments->id('link'), $arguments->id('as'));
    }

    public function apply(TopicMap $map, Recorder $recorder): void
    {
        $steps = new Steps($map);
        $link = TurnLinks::link($map, $this->link, 'link');
        $topic = $map->topic($this->topic, 'topic')->id;
        $head = $steps->headOf($link->from());
        if ($head === null || $steps->headOf($link->to()) !== $head) {
            throw new InvalidEdit('This cross-link is no way between two steps.', 'link');
        }
        if (in_array($topic, $link->topics(), true)) {
            throw new InvalidEdit('The step is at this way already.', 'topic');
        }
        if ($steps->headOf($topic) !== null) {
            $steps->lift($recorder, $topic);
        }
        if ($map->topic($topic)->parent !== $head) {
            MoveTopics::read(new Arguments(['topics' => [$topic], 'after' => $link->from()]))->apply($map, $recorder);
        }
        $steps->splice($recorder, TurnLinks::link($map, $this->link, 'link'), $topic, $this->as);
    }

    public function sentence(TopicMap $map): string
    {
        return 'Put '.Wording::several(TopicChoice::titles($map, array_values(array_filter([$this->topic], $map->has(...))))).' in between';
    }
}
