<?php

declare(strict_types=1);

namespace ChalkTree\Exchange;

use ChalkTree\Ask\Days;
use ChalkTree\Calendar\CalendarItems;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\Kind\KindField;
use ChalkTree\Kind\ShippedKinds;
use ChalkTree\Kind\Values;
use ChalkTree\Map\Bounds;
use ChalkTree\Map\Ids;
use ChalkTree\Map\NewMap;
use ChalkTree\Map\TopicMap;
use ChalkTree\Task\Task;
use ChalkTree\Text\InlineMarkdown;
use Sabre\VObject\Component;
use Sabre\VObject\Component\VCalendar;
use Sabre\VObject\Property\ICalendar\DateTime;
use Sabre\VObject\Reader as VReader;
use Throwable;

/**
 * Reads calendars: each event and each to-do is a topic below the calendar's own, in the order of their days. What
 * repeats is there once, and says so.
 */
final class IcsReader implements Reader
{
    private const DEEPEST = 6;

    private const MOST = 10_000;

    private const REPEATS = ['DAILY' => 'every day', 'WEEKLY' => 'every week', 'MONTHLY' => 'every month', 'YEARLY' => 'every year'];

    public function read(string $contents, string $title): TopicMap
    {
        $this->bound($contents);

        return OldLibrary::run(fn (): TopicMap => $this->parsed($contents, $title));
    }

    private function parsed(string $contents, string $title): TopicMap
    {
        try {
            $calendar = VReader::read($contents, VReader::OPTION_FORGIVING | VReader::OPTION_IGNORE_INVALID_LINES);
        } catch (Throwable $problem) {
            throw new UnreadableFile('This calendar cannot be read: '.mb_substr($problem->getMessage(), 0, 200));
        }
        if (! $calendar instanceof VCalendar) {
            throw new UnreadableFile('This file is no calendar.');
        }
        $found = [];
        foreach (['VEVENT', 'VTODO'] as $name) {
            foreach ($calendar->select($name) as $component) {
                if ($component instanceof Component) {
                    $found[] = $this->item($component);
                }
            }
        }
        usort($found, fn (array $a, array $b): int => $a['order'] <=> $b['order']);

        return $this->map($found, self::text($calendar, 'X-WR-CALNAME') ?: $title);
    }

    /** Nesting and number are bounded before anything is made of the file. */
    private function bound(string $contents): void
    {
        [$depth, $deepest, $count] = [0, 0, 0];
        preg_match_all('/^(BEGIN|END):/mi', $contents, $all);
        foreach ($all[1] as $word) {
            $isBegin = strtoupper($word) === 'BEGIN';
            $depth += $isBegin ? 1 : -1;
            $deepest = max($deepest, $depth);
            $count += $isBegin ? 1 : 0;
            if ($deepest > self::DEEPEST || $count > 2 * self::MOST) {
                throw new UnreadableFile('This calendar is nested deeper than calendars are, or has more than 10,000 entries.');
            }
        }
        // A name of its own for each of millions of properties would take more than there is.
        if (substr_count($contents, "\n") > 100 * self::MOST) {
            throw new UnreadableFile('This calendar has more than 10,000 entries.');
        }
    }

    /** @return array{draft: TopicDraft, order: string, values: array<string, string>, days: string|null, task: array<string, scalar>|null} */
    private function item(Component $component): array
    {
        $isTodo = $component->name === 'VTODO';
        [$from, $time] = self::day($component, 'DTSTART');
        [$to] = self::day($component, $isTodo ? 'DUE' : 'DTEND');
        if (! $isTodo && $to !== null && $from !== null) {
            // A whole day ends where the next begins; so does an hour at midnight.
            $to = $to > $from && (self::isWhole($component, 'DTEND') || self::day($component, 'DTEND')[1] === '00:00') ? Days::plus($to, -1) : $to;
        }
        $rule = preg_match('/FREQ=(\w+)/i', self::text($component, 'RRULE'), $m) === 1 ? self::REPEATS[strtoupper($m[1])] ?? 'again and again' : '';
        $draft = new TopicDraft(
            InlineMarkdown::escape(mb_substr(trim((string) preg_replace('/\s+/u', ' ', self::text($component, 'SUMMARY'))), 0, Bounds::LONGEST_TITLE / 4)),
            mb_substr($rule, 0, Bounds::LONGEST_CAPTION), InlineMarkdown::escape(mb_substr(self::text($component, 'DESCRIPTION'), 0, Bounds::LONGEST_NOTE / 4)), id: Ids::next(),
        );
        $place = trim((string) preg_replace('/\s+/u', ' ', self::text($component, 'LOCATION')));
        $values = array_filter([
            'date' => ! $isTodo && $from !== null && ($to === null || $to <= $from) ? $from : '', 'time' => ! $isTodo ? (string) $time : '', 'place' => mb_substr($place, 0, 200),
        ], fn (string $value): bool => $value !== '');
        $percent = (int) self::text($component, 'PERCENT-COMPLETE');
        [$done] = self::day($component, 'COMPLETED');
        $isDone = strtoupper(self::text($component, 'STATUS')) === 'COMPLETED' || $done !== null;

        return [
            'draft' => $draft, 'order' => ($isTodo ? $to ?? $from : $from) ?? '9999', 'values' => $values, 'days' => ! $isTodo && $from !== null && $to !== null && $to > $from ? "{$from}/{$to}" : null,
            'task' => $isTodo ? ['is' => true] + array_filter(['by' => $to, 'begins' => $from, 'progress' => $isDone ? 100 : max(0, min(100, $percent)), 'done' => $isDone ? $done : null], fn (int|string|null $value): bool => $value !== null && $value !== 0) : null,
        ];
    }

    /** @param  list<array{draft: TopicDraft, order: string, values: array<string, string>, days: string|null, task: array<string, scalar>|null}>  $found */
    private function map(array $found, string $title): TopicMap
    {
        $map = NewMap::from(new TopicDraft(InlineMarkdown::escape($title), children: array_column($found, 'draft')));
        $wanted = [];
        foreach ($found as $item) {
            $id = (string) $item['draft']->id;
            $values = [];
            foreach ($item['values'] as $word => $value) {
                $values[ShippedKinds::fieldId($word)] = $value;
                $wanted[ShippedKinds::fieldId($word)] = true;
            }
            if ($item['days'] !== null) {
                $values[self::daysId()] = $item['days'];
                $map->put(KindField::fromFields(self::daysId(), ['name' => CalendarItems::DAYS, 'sort' => 'range', 'shown' => true]));
            }
            $values === [] ?: $map->put(Values::fromFields($id, [])->having($values));
            $item['task'] === null ?: $map->put(Task::fromFields($id, $item['task']));
        }
        foreach (ShippedKinds::rows() as $row) {
            if (isset($wanted[$row->id])) {
                // What a calendar says of its days is seen on the topics.
                $map->put($row->with(['shown' => true]));
            }
        }

        return $map;
    }

    private static function daysId(): string
    {
        return Ids::named('field of days from calendars');
    }

    private static function text(Component $component, string $name): string
    {
        $property = $component->{$name} ?? null;

        return $property === null ? '' : str_replace("\r\n", "\n", (string) $property->getValue());
    }

    private static function isWhole(Component $component, string $name): bool
    {
        $property = $component->{$name} ?? null;

        return $property instanceof DateTime && ! $property->hasTime();
    }

    /** @return array{string|null, string|null} the day, and the time where there is one, as the calendar tells them where it is */
    private static function day(Component $component, string $name): array
    {
        $property = $component->{$name} ?? null;
        if (! $property instanceof DateTime) {
            return [null, null];
        }
        try {
            $at = $property->getDateTime();
        } catch (Throwable) {
            $at = null;
        }

        return $at !== null && Days::isOne($at->format('Y-m-d')) ? [$at->format('Y-m-d'), $property->hasTime() ? $at->format('H:i') : null] : [null, null];
    }
}
