<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

use ChalkTree\Feature;
use ChalkTree\Map\TopicMap;

/** Branches with an arrangement of their own. */
final class ArrangeFeature implements Feature
{
    public function rows(): array
    {
        return [BranchArrangement::class];
    }

    public function edits(): array
    {
        return [];
    }

    public function marks(TopicMap $map, Scene $scene): iterable
    {
        return [];
    }
}
