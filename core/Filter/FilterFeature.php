<?php

declare(strict_types=1);

namespace ChalkTree\Filter;

use ChalkTree\Arrange\Scene;
use ChalkTree\Feature;
use ChalkTree\Map\TopicMap;

/** Filters that are kept under names. */
final class FilterFeature implements Feature
{
    public function rows(): array
    {
        return [Filter::class];
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
