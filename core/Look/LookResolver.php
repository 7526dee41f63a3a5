<?php

declare(strict_types=1);

namespace ChalkTree\Look;

use ChalkTree\Map\TopicMap;

/**
 * Decides how the topics of one map look, once for each: what its level says, and then what was said of the topic
 * itself. Topics that look alike share one look.
 */
final class LookResolver
{
    /** @var array<string, TopicLook> by topic */
    private array $own = [];

    /** @var array<string, Look> by level and width */
    private array $resolved = [];

    public function __construct(private readonly Looks $looks)
    {
    }

    /** From now on for this map, as it is now. */
    public function read(TopicMap $map): void
    {
        $this->own = $map->rowsOf(TopicLook::class);
    }

    /** Whether a topic looks otherwise than others of its level. */
    public function hasOwn(string $topic): bool
    {
        return isset($this->own[$topic]);
    }

    /** Levels beyond the last look are drawn as it says, so a slip tells the level of its look. */
    public function clamp(int $level): int
    {
        return $this->looks->clamp($level);
    }

    /** How all topics of a level look of which nothing else is said. */
    public function ofLevel(int $level): Look
    {
        return $this->looks->level($level);
    }

    public function of(string $topic, int $level): Look
    {
        $look = $this->looks->level($level);
        $width = isset($this->own[$topic]) ? $this->own[$topic]->number('width') : null;

        return $width === null ? $look : $this->resolved["{$level} {$width}"] ??= $look->wide($width);
    }
}
