<?php

declare(strict_types=1);

namespace ChalkTree\Compare;

use ChalkTree\Edit\Arguments;
use ChalkTree\Edit\Edit;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Edit\Recorder;
use ChalkTree\Edit\Wording;
use ChalkTree\Map\TopicMap;

/** Puts a topic where the other map has it. */
final readonly class MoveBeside implements Edit
{
    private function __construct(private Beside $beside, private string $topic)
    {
    }

    public static function name(): string
    {
        return 'compare.move';
    }

    /** "topic", and where it comes, as Beside reads it. */
    public static function read(Arguments $arguments): self
    {
        return new self(Beside::read($arguments), $arguments->id('topic'));
    }

    public function apply(TopicMap $map, Recorder $recorder): void
    {
        $topic = $map->topic($this->topic);
        if ($topic->id === $map->sheet()->root) {
            throw new InvalidEdit('The root of the map stays where it is.', 'topic');
        }
        $place = $this->beside->place($map);
        $parent = $place->parent($map);
        if ($parent !== null && $map->isWithin($parent, $topic->id)) {
            throw new InvalidEdit('In the other map it stands below a topic that stands below it here. Take that one over first.', 'topic');
        }
        $ranks = $place->ranks($map, $recorder, 1, [$topic->id => $topic]);
        $recorder->put($map->topic($topic->id)->with([
            'parent' => $parent, 'rank' => $ranks[0], 'side' => $place->sideFor($map)?->value, 'sideHeld' => false, 'parked' => null, ...$place->looseFields($map, $recorder),
        ]));
    }

    public function sentence(TopicMap $map): string
    {
        return 'Moved '.Wording::excerpt($map->find($this->topic)->title ?? '').' to where the other map has it';
    }
}
