<?php

declare(strict_types=1);

namespace ChalkTree\Task;

use ChalkTree\Ask\Asks;
use ChalkTree\Ask\BringsRules;
use ChalkTree\Ask\HasColumns;
use ChalkTree\Ask\Measures;
use ChalkTree\Ask\Moment;
use ChalkTree\Ask\NamesPeople;
use ChalkTree\Ask\TellsDays;
use ChalkTree\Ask\TellsProgress;
use ChalkTree\Ask\TopicDay;
use ChalkTree\Document\Block;
use ChalkTree\Document\Style;
use ChalkTree\Edit\Recorder;
use ChalkTree\Edit\Settles;
use ChalkTree\Exchange\WritesLines;
use ChalkTree\Face\BoxSource;
use ChalkTree\Face\PutsComputedInBoxes;
use ChalkTree\HandOver\Choices;
use ChalkTree\HandOver\DocumentPlace;
use ChalkTree\HandOver\FactBlocks;
use ChalkTree\HandOver\HoldsBack;
use ChalkTree\HandOver\PutsInDocuments;
use ChalkTree\Kind\Kind;
use ChalkTree\Map\TopicMap;
use ChalkTree\WithoutMarks;

/** To-dos, how far they are, and what was said of them when. */
final class TaskFeature implements Asks, BringsRules, HasColumns, HoldsBack, Measures, NamesPeople, PutsComputedInBoxes, PutsInDocuments, Settles, TellsDays, TellsProgress, WritesLines
{
    use WithoutMarks;

    /** What begins lines: of what is to be done, of what is done, of what was said of it; and the same in documents. */
    private const SIGNS = ['☐ ' => 'To do: ', '☑ ' => 'Done: ', '✎ ' => 'Said: '];

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
        return self::isThere($map) ? [new TaskMeasure($map, TellsProgress::PROGRESS), new TaskMeasure($map, TellsProgress::DONE)] : [];
    }

    public function isTodo(Moment $now, string $topic): bool
    {
        return Tasks::is($now->map, $topic);
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

    public function columns(Moment $now): iterable
    {
        return TaskColumns::of($now);
    }

    public function people(Moment $now, string $topic): array
    {
        return $now->row(Task::class, $topic)?->who() ?? [];
    }

    public function named(TopicMap $map): iterable
    {
        foreach ($map->rowsOf(Task::class) as $task) {
            yield from $task->who();
        }
    }

    public function days(Moment $now, string $topic): iterable
    {
        $task = $now->row(Task::class, $topic);
        foreach (Task::DAYS as $what) {
            $day = $task?->text($what) ?? '';
            if ($day !== '') {
                yield new TopicDay($what, $day, $day);
            }
        }
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

    public function signs(): array
    {
        return array_keys(self::SIGNS);
    }

    /** "☐ by 2026-12-05 · who Ines", "☑ 2026-11-08", "✎ 2026-11-08, 40 %, Ines: half is there", below the topic. */
    public function lines(TopicMap $map): array
    {
        $lines = [];
        foreach (self::isThere($map) ? array_map(strval(...), array_keys($map->all())) : [] as $id) {
            $task = Tasks::task($map, $id);
            if ($task !== null) {
                $lines[$id][] = ($task->progress() === 100 ? '☑ ' : '☐ ').TaskLine::write($task);
            }
        }
        $remarks = array_filter($map->rowsOf(Remark::class), fn (Remark $remark): bool => ! $remark->flag('private') && $map->isLiving($remark));
        uasort($remarks, fn (Remark $a, Remark $b): int => [$a->text('on'), $a->id] <=> [$b->text('on'), $b->id]);
        foreach ($remarks as $remark) {
            $lines[$remark->at()][] = '✎ '.TaskLine::writeRemark($remark);
        }

        return $lines;
    }

    public function readLine(TopicMap $map, string $topic, string $line, array $titles): array
    {
        foreach (array_keys(self::SIGNS) as $sign) {
            if (str_starts_with($line, $sign)) {
                $said = substr($line, strlen($sign));
                $row = $sign === '✎ ' ? TaskLine::readRemark($topic, $said) : TaskLine::read($topic, $said, $sign === '☑ ');

                return $row === null || ($row instanceof Task && $map->row(Task::type(), $topic) !== null) ? [] : [$row];
            }
        }

        return [];
    }

    /** A line with a word in the place of the sign that begins it. */
    private static function inWords(string $line): string
    {
        foreach (self::SIGNS as $sign => $word) {
            if (str_starts_with($line, $sign)) {
                return $word.substr($line, strlen($sign));
            }
        }

        return $line;
    }

    public function inDocument(TopicMap $map, DocumentPlace $place): array
    {
        return array_map(fn (array $lines): array => [array_map(fn (string $line): Block => FactBlocks::of(self::inWords($line), Style::Todo), $lines), []], $this->lines($map));
    }

    public function atEnd(TopicMap $map, Choices $choices): array
    {
        return [];
    }

    public function fromDocument(Block $block, string $topic, array $titles): array
    {
        $line = FactBlocks::read($block, Style::Todo) ?? '';
        foreach (self::SIGNS as $sign => $word) {
            if (str_starts_with($line, $word)) {
                $said = substr($line, strlen($word));

                return array_filter([$sign === '✎ ' ? TaskLine::readRemark($topic, $said) : TaskLine::read($topic, $said, $sign === '☑ ')]);
            }
        }

        return [];
    }
}
