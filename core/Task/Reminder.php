<?php

declare(strict_types=1);

namespace ChalkTree\Task;

use ChalkTree\Ask\Days;
use ChalkTree\Ask\Moment;

/** That a to-do comes up, as whoever made it wished to be told some days before. */
final readonly class Reminder
{
    /** @param  string  $by  the day on which it is due */
    private function __construct(public string $topic, public string $by)
    {
    }

    /** The one of a to-do, from its first day until it is done; null at other times. */
    public static function of(Moment $now, string $topic): ?self
    {
        $task = $now->map->has($topic) ? Tasks::task($now->map, $topic) : null;
        if ($task === null || ! self::comes($task->number('remind'), $task->text('by'), $now->today) || Tasks::at($now)->state($topic) === 'done') {
            return null;
        }

        return new self($topic, $task->text('by'));
    }

    /** Whether one so many days before a date has come by a day. */
    public static function comes(?int $remind, string $by, string $today): bool
    {
        return $remind !== null && $by !== '' && $today >= Days::plus($by, -$remind);
    }

    /** "in 3 days", "tomorrow", "today", "since yesterday". */
    public function when(string $today): string
    {
        $days = Days::between($today, $this->by);

        return match (true) {
            $days > 1 => "in {$days} days",
            $days === 1 => 'tomorrow',
            $days === 0 => 'today',
            $days === -1 => 'since yesterday',
            default => 'since '.-$days.' days ago',
        };
    }
}
