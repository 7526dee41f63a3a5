<?php

declare(strict_types=1);

namespace ChalkTree;

use ChalkTree\Arrange\Scene;
use ChalkTree\Map\TopicMap;

/** For a feature that draws nothing but what stands in the boxes of topics, or nothing at all. */
trait WithoutMarks
{
    public function drawn(): array
    {
        return [];
    }

    public function marks(TopicMap $map, Scene $scene): iterable
    {
        return [];
    }
}
