<?php

declare(strict_types=1);

namespace ChalkTree\Task;

use ChalkTree\Ask\Days;
use ChalkTree\Edit\Place;
use ChalkTree\Edit\Planting;
use ChalkTree\Edit\Recorder;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\Ids;
use ChalkTree\Map\TopicMap;

/** To-dos that repeat: when one is done, the next stands right after it, and the one that is done repeats no more. */
final class Repeats
{
    public static function settle(TopicMap $map, Recorder $recorder): void
    {
        foreach ($recorder->beforeOf(Task::type()) as $id => $before) {
            $task = $map->has((string) $id) ? $map->row(Task::type(), (string) $id) : null;
            $wasDone = $before instanceof Task && $before->progress() === 100;
            if ($task instanceof Task && $task->progress() === 100 && ! $wasDone && $task->text('repeats') !== '' && $task->text('by') !== '') {
                self::next($map, $recorder, $task);
            }
        }
    }

    private static function next(TopicMap $map, Recorder $recorder, Task $task): void
    {
        $topic = $map->topic($task->id);
        [$draft] = TopicDraft::alone($map, [$topic->id]);
        $draft->id = Ids::next();
        $fresh = $task->anew(fn (string $day): string => self::moved($day, $task->text('repeats')));
        $draft->was = $topic->id;
        $draft->rows = [...array_values(array_filter($draft->rows, fn (FeatureRow $row): bool => ! $row instanceof Remark && ! $row instanceof Task)), $fresh];
        $recorder->put($task->with(['repeats' => null]));
        $place = match (true) {
            $topic->id === $map->sheet()->root => Place::below($topic->id),
            $topic->parked !== null => Place::behindParked($topic),
            default => Place::behind($topic),
        };
        Planting::plant($map, $recorder, $place, [$draft]);
    }

    public static function moved(string $day, string $repeats): string
    {
        return match ($repeats) {
            'weekly' => Days::plus($day, 7),
            'two-weekly' => Days::plus($day, 14),
            'yearly' => Days::plusMonths($day, 12),
            default => Days::plusMonths($day, 1),
        };
    }
}
