<?php

declare(strict_types=1);

namespace ChalkTree\Ring;

use ChalkTree\Edit\Arguments;
use ChalkTree\Edit\Edit;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Edit\Recorder;
use ChalkTree\Edit\TopicChoice;
use ChalkTree\Edit\Wording;
use ChalkTree\Map\Ids;
use ChalkTree\Map\TopicMap;

/** Draws a ring around topics. */
final readonly class DrawRing implements Edit
{
    /** @param  non-empty-list<string>  $topics */
    private function __construct(private array $topics, private string $as)
    {
    }

    public static function name(): string
    {
        return 'ring.draw';
    }

    /** "topics"; "as" is the id of the ring. */
    public static function read(Arguments $arguments): self
    {
        return new self($arguments->ids('topics'), $arguments->id('as'));
    }

    public function apply(TopicMap $map, Recorder $recorder): void
    {
        if ($map->row(Ring::type(), $this->as) !== null) {
            throw new InvalidEdit('There is a ring with this id already.', 'as');
        }
        $recorder->put(Ring::fromFields($this->as, []));
        foreach (array_unique($this->topics) as $id) {
            $recorder->put(RingMember::fromFields(Ids::next(), ['topic' => $map->topic($id, 'topics')->id, 'ring' => $this->as]));
        }
    }

    public function sentence(TopicMap $map): string
    {
        return 'Drew a ring around '.Wording::several(TopicChoice::titles($map, array_values(array_filter($this->topics, $map->has(...)))));
    }
}
