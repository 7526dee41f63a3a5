<?php

declare(strict_types=1);

namespace ChalkTree\Task;

use ChalkTree\Ask\Measure;
use ChalkTree\Map\TopicMap;

/** How far to-dos are, weighted by their effort; or which are done. What is below a to-do stands for it. */
final readonly class TaskMeasure implements Measure
{
    public function __construct(private TopicMap $map, private string $key)
    {
    }

    public function key(): string
    {
        return $this->key;
    }

    public function of(string $topic): ?array
    {
        $task = Tasks::task($this->map, $topic);

        return match (true) {
            $task === null => null,
            $this->key === Tasks::DONE => [$task->progress() === 100 ? 1.0 : 0.0, 1.0],
            default => [(float) $task->progress(), (float) ($task->number('effort') ?? 1)],
        };
    }

    public function givesWay(): bool
    {
        return true;
    }
}
