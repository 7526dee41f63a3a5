<?php

declare(strict_types=1);

namespace ChalkTree\Look;

use ChalkTree\Arrange\Scene;
use ChalkTree\Edit\Recorder;
use ChalkTree\Edit\Settles;
use ChalkTree\Feature;
use ChalkTree\Map\TopicMap;

/** Topics that look otherwise than what they stand among. */
final class LookFeature implements Feature, Settles
{
    public function rows(): array
    {
        return [TopicLook::class, LevelLook::class, MapLook::class, NamedLook::class, MixedChalk::class, ChalkTurn::class];
    }

    /** A branch keeps its chalk when others come and go. */
    public function settle(TopicMap $map, Recorder $recorder): void
    {
        ChalkTurns::settle($map, $recorder);
    }

    public function edits(): array
    {
        return [];
    }

    public function schema(): array
    {
        return [];
    }

    public function drawn(): array
    {
        return [];
    }

    public function marks(TopicMap $map, Scene $scene): iterable
    {
        return [];
    }
}
