<?php

declare(strict_types=1);

namespace ChalkTree\CrossLink;

use ChalkTree\Edit\Arguments;
use ChalkTree\Edit\Edit;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Edit\Recorder;
use ChalkTree\Edit\TopicChoice;
use ChalkTree\Edit\Wording;
use ChalkTree\Map\TopicMap;

/**
 * Puts a topic in between the two of a cross-link: it ends there now, with its phrase, and another one that looks alike
 * goes on from there.
 */
final readonly class SpliceTopic implements Edit
{
    private function __construct(private string $link, private string $topic, private string $as)
    {
    }

    public static function name(): string
    {
        return 'crosslink.splice';
    }

    /** "as" is the id of the second part. */
    public static function read(Arguments $arguments): self
    {
        return new self($arguments->id('link'), $arguments->id('topic'), $arguments->id('as'));
    }

    public function apply(TopicMap $map, Recorder $recorder): void
    {
        $link = TurnLinks::link($map, $this->link, 'link');
        $topic = $map->topic($this->topic)->id;
        if (in_array($topic, $link->topics(), true)) {
            throw new InvalidEdit('This topic is at an end of the cross-link already.', 'topic');
        }
        if ($map->row(CrossLink::type(), $this->as) !== null) {
            throw new InvalidEdit('There is a cross-link with this id already.', 'as');
        }
        // What was bent out of the way goes by the topic now.
        $recorder->put($link->with(['to' => $topic, 'bendAt' => null, 'bendBy' => null]));
        $recorder->put(CrossLink::fromFields($this->as, ['from' => $topic, 'to' => $link->to()] + $link->look()));
    }

    public function sentence(TopicMap $map): string
    {
        return 'Put '.Wording::several(TopicChoice::titles($map, array_values(array_filter([$this->topic], $map->has(...))))).' in between';
    }
}
