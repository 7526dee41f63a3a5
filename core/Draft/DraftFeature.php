<?php

declare(strict_types=1);

namespace ChalkTree\Draft;

use ChalkTree\HandOver\HoldsBack;
use ChalkTree\Map\TopicMap;
use ChalkTree\WithoutEdits;
use ChalkTree\WithoutMarks;

/** A branch as one text to write in, how long it is to be, where one stopped there, and what it said before. */
final class DraftFeature implements HoldsBack
{
    use WithoutEdits;
    use WithoutMarks;

    public function rows(): array
    {
        return [Goal::class, StopMark::class, KeptWording::class];
    }

    public function heldTopics(TopicMap $map): array
    {
        return [];
    }

    /** What one says to oneself never leaves the map, nor does what one says no more. */
    public function heldRows(TopicMap $map): array
    {
        return [...array_values($map->rowsOf(StopMark::class)), ...array_values($map->rowsOf(KeptWording::class))];
    }
}
