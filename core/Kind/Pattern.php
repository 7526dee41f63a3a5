<?php

declare(strict_types=1);

namespace ChalkTree\Kind;

use ChalkTree\Ask\Days;
use ChalkTree\Map\TopicMap;

/**
 * How new topics of a kind are titled: words, and in braces what is different each time: {date}, {day} (the weekday),
 * {time}, {year}, {number} (the next among those of the kind in its place), {parent}, {kind}.
 */
final readonly class Pattern
{
    /**
     * @param  string|null  $parent  below which it stands
     * @param  string  $today  as YYYY-MM-DD
     * @param  string  $time  as HH:MM
     */
    public static function filled(Kind $kind, TopicMap $map, ?string $parent, string $today, string $time): string
    {
        $pattern = $kind->text('pattern') === '' ? '' : $kind->text('pattern');
        $number = fn (): string => (string) (1 + count(array_filter(array_keys($map->children($parent ?? '')), fn (string|int $id): bool => Kinds::idOf($map, (string) $id) === $kind->id)));

        return trim((string) preg_replace_callback('/\{(date|day|time|year|number|parent|kind)\}/', fn (array $m): string => match ($m[1]) {
            'date' => Days::long($today),
            'day' => Days::dayName($today),
            'time' => $time,
            'year' => substr($today, 0, 4),
            'number' => $number(),
            'parent' => $parent === null ? '' : ($map->find($parent)->title ?? ''),
            default => $kind->text('name'),
        }, $pattern));
    }
}
