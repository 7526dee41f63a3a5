<?php

declare(strict_types=1);

namespace ChalkTree\Task;

use ChalkTree\Ask\Column;
use ChalkTree\Ask\Days;
use ChalkTree\Ask\Moment;

/** What is told of to-dos beside each other: who does them, by when, how far they are. */
final class TaskColumns
{
    private const STATES = ['open' => 'Open', 'doing' => 'Under way', 'done' => 'Done'];

    /** @return iterable<Column> */
    public static function of(Moment $now): iterable
    {
        $tasks = Tasks::at($now);
        $day = fn (string $id): string => Tasks::task($now->map, $id)?->text('by') ?? '';
        yield new Column('who', 'Who', fn (string $id): array => Tasks::task($now->map, $id)?->who() ?? []);
        yield new Column(
            'by', 'By when',
            fn (string $id): array => $day($id) === '' ? [] : ['by '.Days::short($day($id), $now->today)],
            fn (string $id): ?string => $day($id) === '' ? null : $day($id),
            fn (string $id): array => self::time($day($id), $now->today),
        );
        yield new Column(
            'progress', 'How far',
            fn (string $id): array => ($progress = $tasks->progress($id)) === null ? [] : [round($progress).' %'],
            $tasks->progress(...),
            fn (string $id): array => ($state = $tasks->state($id)) === null ? [] : [self::STATES[$state]],
        );
    }

    /** @return list<string> the time in which a day falls, as people speak of it */
    private static function time(string $day, string $today): array
    {
        if ($day === '' || $day < $today) {
            return $day === '' ? [] : ['Before today'];
        }
        foreach (['this-week' => 'This week', 'next-week' => 'Next week', 'this-month' => 'This month', 'next-month' => 'Next month'] as $span => $words) {
            [$first, $last] = Days::span($span, $today);
            if ($day >= $first && $day <= $last) {
                return [$words];
            }
        }

        return ['Later'];
    }
}
