<?php

declare(strict_types=1);

namespace ChalkTree\Task;

use ChalkTree\Arrange\Scene;
use ChalkTree\Ask\Asks;
use ChalkTree\Ask\BringsRules;
use ChalkTree\Ask\Measures;
use ChalkTree\Ask\Moment;
use ChalkTree\Ask\NamesPeople;
use ChalkTree\Ask\TellsProgress;
use ChalkTree\Edit\Recorder;
use ChalkTree\Edit\Settles;
use ChalkTree\Face\BoxSource;
use ChalkTree\Face\PutsComputedInBoxes;
use ChalkTree\HandOver\HoldsBack;
use ChalkTree\Kind\Kind;
use ChalkTree\Map\TopicMap;

/** To-dos, how far they are, and what was said of them when. */
final class TaskFeature implements Asks, BringsRules, HoldsBack, Measures, NamesPeople, PutsComputedInBoxes, Settles, TellsProgress
{
    public function rows(): array
    {
        return [Task::class, Remark::class];
    }

    public function edits(): array
    {
        return [SetTask::class, ReportProgress::class, DoAgain::class];
    }

    public function schema(): array
    {
        $text = ['type' => 'string'];
        $topics = ['type' => 'array', 'items' => $text];
        $whole = fn (int $least, int $most): array => ['type' => ['integer', 'null'], 'minimum' => $least, 'maximum' => $most];

        return [
            'ChangeTask' => ['name' => SetTask::name(), 'properties' => [
                'topics' => $topics, 'today' => $text, 'who' => $text, 'by' => $text, 'begins' => $text, 'done' => $text, 'progress' => $whole(0, 100),
                'effort' => $whole(1, Task::MOST_EFFORT), 'repeats' => ['enum' => [...Task::REPEATS, null]], 'remind' => $whole(0, 365),
            ], 'required' => ['topics', 'today']],
            'DoAgain' => ['name' => DoAgain::name(), 'properties' => ['topic' => $text, 'start' => $text, 'today' => $text, 'weekdays' => ['type' => 'boolean'], 'copy' => ['type' => 'boolean'], 'as' => $text], 'required' => ['topic', 'start', 'today']],
            'ReportProgress' => ['name' => ReportProgress::name(), 'properties' => ['topics' => $topics, 'progress' => $whole(0, 100), 'on' => $text, 'said' => $text, 'private' => ['type' => 'boolean']], 'required' => ['topics', 'progress', 'on']],
        ];
    }

    public static function isThere(TopicMap $map): bool
    {
        if ($map->hasRowsOf(Task::class)) {
            return true;
        }
        foreach ($map->rowsOf(Kind::class) as $kind) {
            if ($kind->flag('todo')) {
                return true;
            }
        }

        return false;
    }

    public function boxes(Moment $now): ?BoxSource
    {
        return self::isThere($now->map) ? new TaskBoxes($now) : null;
    }

    public function questions(): array
    {
        return [AskTodo::class, AskDue::class, AskProgress::class];
    }

    public function had(): array
    {
        return ['remark' => Remark::class];
    }

    public function measures(TopicMap $map): iterable
    {
        return self::isThere($map) ? [new TaskMeasure($map, Tasks::PROGRESS), new TaskMeasure($map, Tasks::DONE)] : [];
    }

    public function progressOf(Moment $now, string $topic): ?float
    {
        return Tasks::at($now)->progress($topic);
    }

    /** Each state is told by its outline as well as by its colour. */
    public function rules(TopicMap $map): array
    {
        $todo = fn (string $is): string => (string) json_encode(['ask' => 'todo', 'is' => $is]);

        return self::isThere($map) ? [
            'gathers' => ['name' => 'To-dos below', 'when' => $todo('gathers'), 'place' => 100, 'spine' => true],
            'open' => ['name' => 'Open', 'when' => $todo('open'), 'place' => 200, 'edge' => 'soft', 'edgeDash' => 'dashed', 'edgeThick' => 1],
            'doing' => ['name' => 'Under way', 'when' => $todo('doing'), 'place' => 300, 'edge' => 'chalk:tide', 'edgeDash' => 'solid', 'edgeThick' => 2, 'spine' => true],
            'done' => ['name' => 'Done', 'when' => $todo('done'), 'place' => 400, 'edge' => 'none', 'ink' => 'soft', 'stamps' => 'stamp:done'],
            'overdue' => ['name' => 'Overdue', 'when' => $todo('overdue'), 'place' => 500, 'edge' => 'chalk:ember', 'edgeDash' => 'solid', 'edgeThick' => 3, 'stamps' => 'stamp:warning'],
        ] : [];
    }

    public function people(Moment $now, string $topic): array
    {
        return $now->row(Task::class, $topic)?->who() ?? [];
    }

    public function settle(TopicMap $map, Recorder $recorder): void
    {
        Repeats::settle($map, $recorder);
    }

    public function heldTopics(TopicMap $map): array
    {
        return [];
    }

    /** Remarks that are nobody else's business. */
    public function heldRows(TopicMap $map): array
    {
        return array_values(array_filter($map->rowsOf(Remark::class), fn (Remark $remark): bool => $remark->flag('private')));
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
