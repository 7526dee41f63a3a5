<?php

declare(strict_types=1);

namespace ChalkTree\Calendar;

/** A topic as it stands in a calendar: on days, as something that happens or is to be done. */
final readonly class CalendarItem
{
    /**
     * @param  string  $what  which days of the topic these are: the id of a field, or "todo"
     * @param  string  $title  in plain words, on one line
     * @param  string|null  $from  YYYY-MM-DD; of a to-do the day on which it begins
     * @param  string|null  $to  the last day; of a to-do the one by which it is to be done
     * @param  string|null  $time  HH:MM of the first day
     * @param  int|null  $progress  from 0 to 100; null where it is nothing to be done
     * @param  string|null  $done  the day on which it was done
     * @param  list<string>  $trail  titles of what is above it
     */
    public function __construct(
        public string $topic, public string $what, public string $title, public ?string $from, public ?string $to, public ?string $time = null,
        public string $place = '', public ?int $progress = null, public ?string $done = null, public string $note = '', public array $trail = [], public int $changed = 0,
    ) {
    }

    public function isTodo(): bool
    {
        return $this->progress !== null;
    }
}
