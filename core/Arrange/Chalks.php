<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

use ChalkTree\Look\Chalk;
use ChalkTree\Look\ChalkTurn;
use ChalkTree\Look\ChalkTurns;
use ChalkTree\Look\LookResolver;
use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;

/**
 * The chalks of topics: by first-level branch in the order in which these were made, so that moving one, taking one away
 * or putting a new one among them leaves the others as they are; or by level, or one for all. A topic's is the same in every view, and
 * any topic may begin one of its own for its branch.
 */
final class Chalks
{
    /** @var array<string, string>|null of first-level branches */
    private ?array $branches = null;

    public function __construct(private readonly TopicMap $map, private readonly LookResolver $looks)
    {
    }

    /** The chalk of a topic that nothing is drawn above: the root, a loose topic, or one that was stepped into. */
    public function onTop(string $topic): string
    {
        $path = array_reverse($this->path($topic));
        $chalk = Chalk::Mussel->value;
        $keeps = false;
        foreach ($path as $depth => $id) {
            $own = $this->looks->chalkOf($id);
            $chalk = $own ?? ($depth === 0 || $keeps ? $chalk : $this->below($path[$depth - 1])[$id] ?? $chalk);
            $keeps = $keeps || $own !== null;
        }

        return $chalk;
    }

    /** Whether what is below such a topic takes its chalk, because one began with it or above it. */
    public function keepsOnTop(string $topic): bool
    {
        return array_filter($this->path($topic), fn (string $id): bool => $this->looks->chalkOf($id) !== null) !== [];
    }

    /**
     * The chalks of the topics right below another, so far as they do not simply take its own, where no chalk of its own
     * begins above them.
     *
     * @return array<string, string>
     */
    public function below(string $topic): array
    {
        if ($this->looks->chalks() === 'level') {
            $depth = count($this->map->ancestors($topic));

            return array_map(fn (): string => Chalk::inTurn($depth)->value, $this->map->children($topic));
        }
        if ($topic !== $this->map->sheet()->root) {
            return [];
        }
        if ($this->looks->chalks() === 'one') {
            return array_map(fn (): string => $this->looks->chalkForAll(), $this->map->children($topic));
        }

        return $this->branches ??= array_map(
            fn (int $turn): string => Chalk::inTurn($turn)->value,
            ChalkTurns::of(array_map(strval(...), array_keys($this->map->children($topic))), $this->map->rowsOf(ChalkTurn::class)),
        );
    }

    /** @return list<string> a topic and those above it, nearest first */
    private function path(string $topic): array
    {
        return [$topic, ...array_map(fn (Topic $above): string => $above->id, $this->map->ancestors($topic))];
    }
}
