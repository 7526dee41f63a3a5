<?php

declare(strict_types=1);

namespace ChalkTree\Task;

use ChalkTree\Ask\CellTyping;
use ChalkTree\Ask\Column;
use ChalkTree\Ask\Days;
use ChalkTree\Ask\Moment;
use ChalkTree\Edit\InvalidEdit;
use Closure;

/** What is told of to-dos beside each other: who does them, by when, how far they are. */
final class TaskColumns
{
    private const STATES = ['open' => 'Open', 'doing' => 'Under way', 'done' => 'Done'];

    /** How far something is of which one says no more than that it is under way. */
    private const BEGUN = 10;

    /** @return iterable<Column> */
    public static function of(Moment $now): iterable
    {
        $tasks = Tasks::at($now);
        $day = fn (string $id): string => Tasks::task($now->map, $id)?->text('by') ?? '';
        $set = fn (string $field, ?Closure $read = null): Closure => fn (string $id, string $typed, string $today): array => trim($typed) === '' && ! Tasks::is($now->map, $id) ? []
            : [['name' => SetTask::name(), 'topics' => [$id], $field => $read === null ? trim($typed) : $read(trim($typed), $id), 'today' => $today]];
        $days = fn (string $field): CellTyping => new CellTyping('day', fn (string $id): string => Tasks::task($now->map, $id)?->text($field) ?? '', $set($field));
        $who = fn (string $id): array => Tasks::task($now->map, $id)?->who() ?? [];
        yield new Column('who', 'Who', $who, typing: new CellTyping('people', fn (string $id): string => implode(', ', $who($id)), $set('who')));
        yield new Column(
            'by', 'By when',
            fn (string $id): array => $day($id) === '' ? [] : ['by '.Days::short($day($id), $now->today)],
            fn (string $id): ?string => $day($id) === '' ? null : $day($id),
            fn (string $id): array => self::time($day($id), $now->today),
            $days('by'),
            inCell: fn (string $id): array => $day($id) === '' ? [] : [Days::short($day($id), $now->today)],
        );
        $begins = fn (string $id): string => Tasks::task($now->map, $id)?->text('begins') ?? '';
        yield new Column('begins', 'Begins', fn (string $id): array => $begins($id) === '' ? [] : ['from '.Days::short($begins($id), $now->today)], fn (string $id): ?string => $begins($id) === '' ? null : $begins($id), typing: $days('begins'), inCell: fn (string $id): array => $begins($id) === '' ? [] : [Days::short($begins($id), $now->today)]);
        yield new Column(
            'progress', 'How far',
            fn (string $id): array => ($progress = $tasks->progress($id)) === null ? [] : [round($progress).' %'],
            $tasks->progress(...),
            fn (string $id): array => ($state = $tasks->state($id)) === null ? [] : [self::STATES[$state]],
            new CellTyping('number', fn (string $id): string => (string) (Tasks::task($now->map, $id)?->number('progress') ?? ''), $set('progress', fn (string $typed, string $id): ?int => self::howFar($typed, Tasks::task($now->map, $id)?->progress() ?? 0)), array_values(self::STATES)),
            fn (float $number): string => round($number).' %',
        );
        $effort = fn (string $id): ?int => Tasks::task($now->map, $id)?->number('effort');
        yield new Column(
            'effort', 'Effort',
            fn (string $id): array => $effort($id) === null ? [] : [number_format($effort($id)).' h'],
            fn (string $id): ?float => $effort($id) === null ? null : (float) $effort($id),
            typing: new CellTyping('number', fn (string $id): string => (string) ($effort($id) ?? ''), $set('effort', fn (string $typed): ?int => self::whole($typed, 1, Task::MOST_EFFORT, 'Effort is a whole number of hours.'))),
            numbers: fn (float $number): string => number_format($number, floor($number) === $number ? 0 : 1).' h',
        );
    }

    /**
     * A number, or the name of a state; what is under way already stays as far as it is.
     *
     * @throws InvalidEdit
     */
    private static function howFar(string $typed, int $before): ?int
    {
        return match (array_search(mb_strtolower($typed), array_map(mb_strtolower(...), self::STATES), true)) {
            'open' => 0,
            'doing' => $before > 0 && $before < 100 ? $before : self::BEGUN,
            'done' => 100,
            default => self::whole($typed, 0, 100, 'How far is a whole number from 0 to 100, or open, under way or done.'),
        };
    }

    /** @throws InvalidEdit */
    private static function whole(string $typed, int $least, int $most, string $wanted): ?int
    {
        if ($typed === '') {
            return null;
        }
        $number = preg_match('/^(\d{1,6})\s*(?:%|h)?$/iD', $typed, $m) === 1 ? (int) $m[1] : -1;

        return $number >= $least && $number <= $most ? $number : throw new InvalidEdit($wanted, 'text');
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
