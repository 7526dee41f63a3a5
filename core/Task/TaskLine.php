<?php

declare(strict_types=1);

namespace ChalkTree\Task;

use ChalkTree\Ask\Days;
use ChalkTree\Ask\People;
use ChalkTree\Map\Ids;

/**
 * A to-do and what was said of it as lines of words, and back: "by 2026-12-05 · 40 % · 3 h · who Ines, Theo" and
 * "2026-11-08, 40 %, Ines: paper is ordered".
 */
final class TaskLine
{
    private const BETWEEN = ' · ';

    /** Where nothing is said of it but that it is one. */
    private const BARE = 'to be done';

    public static function write(Task $task): string
    {
        $isDone = $task->progress() === 100;
        $said = [
            $isDone && $task->text('done') !== '' ? $task->text('done') : '',
            $task->text('by') === '' ? '' : "by {$task->text('by')}",
            $task->text('begins') === '' ? '' : "from {$task->text('begins')}",
            $isDone || $task->number('progress') === null ? '' : "{$task->progress()} %",
            $task->number('effort') === null ? '' : "{$task->number('effort')} h",
            $task->text('repeats'),
            $task->number('remind') === null ? '' : "told {$task->number('remind')} days before",
            $task->who() === [] ? '' : 'who '.str_replace(self::BETWEEN, ' ', implode(', ', $task->who())),
        ];
        $line = implode(self::BETWEEN, array_filter($said, fn (string $part): bool => $part !== ''));

        return $line === '' ? self::BARE : $line;
    }

    /** Null where the line is no such one. */
    public static function read(string $topic, string $line, bool $isDone): ?Task
    {
        $fields = ['is' => true] + ($isDone ? ['progress' => 100] : []);
        foreach ($line === self::BARE ? [] : explode(self::BETWEEN, $line) as $part) {
            $its = match (true) {
                $isDone && Days::isOne($part) => ['done' => $part],
                str_starts_with($part, 'by ') && Days::isOne(substr($part, 3)) => ['by' => substr($part, 3)],
                str_starts_with($part, 'from ') && Days::isOne(substr($part, 5)) => ['begins' => substr($part, 5)],
                ! $isDone && preg_match('/^(\d{1,2}) %$/D', $part, $m) === 1 => ['progress' => (int) $m[1]],
                preg_match('/^(\d{1,6}) h$/D', $part, $m) === 1 && (int) $m[1] >= 1 && (int) $m[1] <= Task::MOST_EFFORT => ['effort' => (int) $m[1]],
                in_array($part, Task::REPEATS, true) => ['repeats' => $part],
                preg_match('/^told (\d{1,3}) days before$/D', $part, $m) === 1 && (int) $m[1] <= 365 => ['remind' => (int) $m[1]],
                str_starts_with($part, 'who ') => ['who' => People::read(substr($part, 4))],
                default => ['who' => null],
            };
            if (array_intersect_key($its, $fields) !== [] || in_array($its[array_key_first($its)], [null, ''], true)) {
                return null;
            }
            $fields += $its;
        }

        return Task::fromFields($topic, $fields);
    }

    public static function writeRemark(Remark $remark): string
    {
        $progress = $remark->number('progress');
        $said = trim((string) preg_replace('/\s+/u', ' ', $remark->text('said')));

        return $remark->text('on').($progress === null ? '' : ", {$progress} %").($remark->text('who') === '' ? '' : ', '.str_replace(': ', ' ', $remark->text('who'))).($said === '' ? '' : ": {$said}");
    }

    public static function readRemark(string $topic, string $line): ?Remark
    {
        if (preg_match('/^(\d{4}-\d\d-\d\d)(?:, (\d{1,3}) %)?(?:, ((?:(?!: ).)+?))?(?:: (.+))?$/uD', $line, $m, PREG_UNMATCHED_AS_NULL) !== 1 || ! Days::isOne((string) $m[1])) {
            return null;
        }
        [$progress, $who, $said] = [$m[2] === null ? null : (int) $m[2], (string) ($m[3] ?? ''), (string) ($m[4] ?? '')];
        if (($progress ?? 0) > 100 || ($who !== '' && ! People::fits($who, 1)) || mb_strlen($said) > Remark::LONGEST) {
            return null;
        }

        return Remark::fromFields(Ids::next(), ['at' => $topic, 'on' => $m[1], 'said' => $said, 'progress' => $progress] + ($who === '' ? [] : ['who' => $who]));
    }
}
