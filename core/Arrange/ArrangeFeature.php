<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

use ChalkTree\Feature;
use ChalkTree\Map\TopicMap;

/** Branches with an arrangement of their own, and those that are pulled apart. */
final class ArrangeFeature implements Feature
{
    public function rows(): array
    {
        return [BranchArrangement::class, Apart::class];
    }

    public function edits(): array
    {
        return [HoldApart::class];
    }

    public function schema(): array
    {
        return ['HoldApart' => [
            'name' => HoldApart::name(),
            'properties' => ['topics' => ['type' => 'array', 'items' => ['type' => 'string']], 'x' => ['type' => 'integer'], 'y' => ['type' => 'integer'], 'deep' => ['type' => 'boolean']],
            'required' => ['topics', 'x', 'y'],
        ]];
    }

    public function parts(TopicMap $map): iterable
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
