<?php

declare(strict_types=1);

namespace ChalkTree\Edit;

use ChalkTree\Map\Side;
use ChalkTree\Map\SideBalance;
use ChalkTree\Map\TopicMap;

/** Holds first-level branches on one side of the root; null leaves the choice to the arrangement. */
final readonly class SetSide implements Edit
{
    /** @param  non-empty-list<string>  $topics */
    private function __construct(private array $topics, private ?Side $side)
    {
    }

    public static function name(): string
    {
        return 'topic.side';
    }

    public static function read(Arguments $arguments): self
    {
        return new self($arguments->ids('topics'), $arguments->choiceOrNull('side', Side::class));
    }

    public function apply(TopicMap $map, Recorder $recorder): void
    {
        foreach ($this->topics as $id) {
            $topic = $map->topic($id, 'topics');
            if ($topic->parent !== $map->sheet()->root) {
                throw new InvalidEdit('Only the branches right at the root have a side.', 'topics');
            }
            $side = $this->side ?? SideBalance::lighter($map, $id);
            $recorder->put($topic->with(['side' => $side->value, 'sideHeld' => $this->side !== null]));
        }
    }

    public function sentence(TopicMap $map): string
    {
        return 'Changed the side of '.Wording::several(TopicChoice::titles($map, $this->topics));
    }
}
