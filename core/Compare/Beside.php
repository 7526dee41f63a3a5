<?php

declare(strict_types=1);

namespace ChalkTree\Compare;

use ChalkTree\Edit\Arguments;
use ChalkTree\Edit\Place;
use ChalkTree\Map\TopicMap;

/** Where something of another map comes: below a topic, behind the first of several that stands there now, as some of them may have been left where they were. */
final readonly class Beside
{
    /** Topics of which the first that stands there counts. */
    public const MOST = 12;

    /** Instead of a topic: before all others. */
    public const FIRST = '';

    /** @param  list<string>  $after */
    private function __construct(private ?string $parent, private array $after)
    {
    }

    /** "parent", null for nowhere; "after", ids of topics, the nearest first, an empty one for the beginning. */
    public static function read(Arguments $arguments): self
    {
        return new self($arguments->idOrNull('parent'), $arguments->has('after') ? $arguments->strings('after', self::MOST) : []);
    }

    public function place(TopicMap $map): Place
    {
        if ($this->parent !== null) {
            foreach ($this->after as $one) {
                $topic = $one === self::FIRST ? null : $map->find($one);
                if ($one === self::FIRST || ($topic !== null && $topic->parent === $this->parent)) {
                    return $topic === null ? Place::read(new Arguments(['parent' => $this->parent, 'first' => true])) : Place::behind($topic);
                }
            }
        }

        return Place::read(new Arguments(['parent' => $this->parent]));
    }
}
