<?php

declare(strict_types=1);

namespace ChalkTree\Task;

use ChalkTree\Ask\Measure;
use ChalkTree\Ask\Sum;
use ChalkTree\Ask\TellsProgress;
use ChalkTree\Kind\Kind;
use ChalkTree\Map\TopicMap;

/** How far to-dos are, weighted by their effort; or which are done. What is below a to-do stands for it, and is done with it. */
final readonly class TaskMeasure implements Measure
{
    public function __construct(private TopicMap $map, private string $key)
    {
    }

    public function key(): string
    {
        return $this->key;
    }

    /** Topics of some kinds are to-dos without being told so. */
    public function hangsOn(): string
    {
        $todos = array_keys(array_filter($this->map->rowsOf(Kind::class), fn (Kind $kind): bool => $kind->flag('todo')));
        sort($todos);

        return implode(' ', $todos);
    }

    public function handedOn(string $topic, ?Sum $below): ?Sum
    {
        $task = Tasks::task($this->map, $topic);
        if ($task === null) {
            return $below;
        }
        $isShare = $this->key === TellsProgress::DONE;
        $isDone = $task->progress() === 100;
        $done = $isShare ? 1.0 : 100.0;

        return match (true) {
            $below !== null => $isDone ? $below->each($done) : $below,
            $isShare => Sum::one($isDone ? $done : 0.0),
            default => Sum::one((float) $task->progress(), (float) ($task->number('effort') ?? 1)),
        };
    }
}
