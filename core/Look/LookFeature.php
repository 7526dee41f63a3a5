<?php

declare(strict_types=1);

namespace ChalkTree\Look;

use ChalkTree\Arrange\Scene;
use ChalkTree\Feature;
use ChalkTree\Map\TopicMap;

/** Topics that look otherwise than what they stand among. */
final class LookFeature implements Feature
{
    public function rows(): array
    {
        return [TopicLook::class, LevelLook::class, MapLook::class, NamedLook::class, MixedChalk::class];
    }

    public function edits(): array
    {
        return [];
    }

    public function schema(): array
    {
        return [];
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
