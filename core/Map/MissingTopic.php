<?php

declare(strict_types=1);

namespace ChalkTree\Map;

use ChalkTree\Refusal;

/** A topic that is not in the map, or no longer. */
final class MissingTopic extends Refusal
{
    public static function called(string $id, string $field = 'topic'): self
    {
        return new self("The topic {$id} is not in this map, or has been removed from it.", $field);
    }

    public function reason(): string
    {
        return 'missing_topic';
    }
}
