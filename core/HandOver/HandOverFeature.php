<?php

declare(strict_types=1);

namespace ChalkTree\HandOver;

use ChalkTree\Arrange\Scene;
use ChalkTree\Feature;
use ChalkTree\Map\TopicMap;

/** Settings for handing a map over, kept with it under their names. */
final class HandOverFeature implements Feature
{
    public function rows(): array
    {
        return [Choices::class];
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
