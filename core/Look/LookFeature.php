<?php

declare(strict_types=1);

namespace ChalkTree\Look;

use ChalkTree\Edit\Recorder;
use ChalkTree\Edit\Settles;
use ChalkTree\Feature;
use ChalkTree\Map\TopicMap;
use ChalkTree\WithoutEdits;
use ChalkTree\WithoutMarks;

/** Topics that look otherwise than what they stand among. */
final class LookFeature implements Feature, Settles
{
    use WithoutEdits;
    use WithoutMarks;

    public function rows(): array
    {
        return [TopicLook::class, LevelLook::class, MapLook::class, NamedLook::class, MixedChalk::class, ChalkTurn::class];
    }

    /** A branch keeps its chalk when others come and go. */
    public function settle(TopicMap $map, Recorder $recorder): void
    {
        ChalkTurns::settle($map, $recorder);
    }
}
