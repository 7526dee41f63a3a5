<?php

declare(strict_types=1);

namespace ChalkTree\Task;

use ChalkTree\Ask\Days;
use ChalkTree\Ask\Moment;
use ChalkTree\Ask\TellsProgress;
use ChalkTree\Face\BoxSource;
use ChalkTree\Face\SmallText;

/** What to-dos put on topics: on one, who and by when and how far; above some, how many of them are done. */
final readonly class TaskBoxes implements BoxSource
{
    /** More names than these are told as a number. */
    private const MOST_NAMES = 3;

    public function __construct(private Moment $now)
    {
    }

    public function parts(string $topic): array
    {
        $text = $this->told($topic);

        return $text === '' ? [] : [SmallText::below('task', $text)];
    }

    /** The same in words: "Ines, Theo · by Fri 5 Dec · 40 %"; no line begins with a dot. */
    public function told(string $topic): string
    {
        $task = Tasks::task($this->now->map, $topic);
        $done = $this->now->sums()->below($topic, TellsProgress::DONE);
        if ($task === null && $done === null) {
            return '';
        }
        $words = $task === null ? [] : [self::names($task->who()), $this->day($task)];
        if ($done !== null) {
            $words[] = ((int) $done->sum)." of {$done->count} done";
        }
        $progress = Tasks::at($this->now)->progress($topic);
        if ($progress !== null && ($progress > 0.0 || $done !== null) && $progress < 100.0) {
            $words[] = round($progress)."\u{A0}%";
        }

        return implode("\u{A0}· ", array_filter($words, fn (string $word): bool => $word !== ''));
    }

    private function day(Task $task): string
    {
        $today = $this->now->today;

        return match (true) {
            $task->progress() === 100 => $task->text('done') === '' ? 'done' : 'done '.Days::short($task->text('done'), $today),
            $task->text('by') !== '' => 'by '.Days::short($task->text('by'), $today),
            $task->text('begins') !== '' => 'from '.Days::short($task->text('begins'), $today),
            default => '',
        };
    }

    /** @param  list<string>  $names */
    private static function names(array $names): string
    {
        $more = count($names) - self::MOST_NAMES;

        return implode(', ', array_slice($names, 0, self::MOST_NAMES)).($more > 0 ? " and {$more} more" : '');
    }
}
