<?php

declare(strict_types=1);

namespace ChalkTree\Edit;

use ChalkTree\Map\SideBalance;
use ChalkTree\Map\TopicMap;

/** Shares the root's branches anew between its two sides, but for those held by hand. */
final readonly class BalanceMap implements Edit
{
    public static function name(): string
    {
        return 'map.balance';
    }

    public static function read(Arguments $arguments): self
    {
        return new self;
    }

    public function apply(TopicMap $map, Recorder $recorder): void
    {
        foreach (SideBalance::whole($map) as $id => $side) {
            $recorder->put($map->topic($id)->with(['side' => $side->value]));
        }
    }

    public function sentence(TopicMap $map): string
    {
        return 'Balanced the two sides';
    }
}
