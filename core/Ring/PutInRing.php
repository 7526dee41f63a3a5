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

/** Puts topics into a ring, or takes them out of it; a ring of which all are taken out goes. */
final readonly class PutInRing implements Edit
{
    /** @param  non-empty-list<string>  $topics */
    private function __construct(private array $topics, private string $ring, private bool $isOut)
    {
    }

    public static function name(): string
    {
        return 'ring.put';
    }

    /** "topics", "ring"; "out" where they are taken out. */
    public static function read(Arguments $arguments): self
    {
        return new self($arguments->ids('topics'), $arguments->id('ring'), $arguments->flag('out'));
    }

    public function apply(TopicMap $map, Recorder $recorder): void
    {
        if (! $map->row(Ring::type(), $this->ring) instanceof Ring) {
            throw new InvalidEdit('This ring is not in the map any more.', 'ring');
        }
        $there = [];
        foreach ($map->rowsOf(RingMember::class) as $member) {
            if ($member->ring() === $this->ring) {
                $there[$member->topic()][] = $member->id;
            }
        }
        foreach (array_unique($this->topics) as $id) {
            $topic = $map->topic($id, 'topics')->id;
            if ($this->isOut) {
                array_map(fn (string $member) => $recorder->drop(RingMember::type(), $member), $there[$topic] ?? []);
            } elseif (! isset($there[$topic])) {
                $recorder->put(RingMember::fromFields(Ids::next(), ['topic' => $topic, 'ring' => $this->ring]));
            }
        }
    }

    public function sentence(TopicMap $map): string
    {
        $topics = Wording::several(TopicChoice::titles($map, array_values(array_filter($this->topics, $map->has(...)))));

        return $this->isOut ? "Took {$topics} out of the ring" : "Put {$topics} into the ring";
    }
}
