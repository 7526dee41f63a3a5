<?php

declare(strict_types=1);

namespace ChalkTree\Calendar;

use ChalkTree\Ask\Columns;
use ChalkTree\Ask\Moment;
use ChalkTree\Ask\TellsDays;
use ChalkTree\Ask\TodoProgress;
use ChalkTree\Ask\TopicDay;
use ChalkTree\Features;
use ChalkTree\Kind\ShippedKinds;
use ChalkTree\Map\Ids;
use ChalkTree\Map\Topic;
use ChalkTree\Map\Trail;
use ChalkTree\Text\InlineMarkdown;

/** Everything of a map that has a date, and everything that is to be done. */
final class CalendarItems
{
    /** @return list<CalendarItem> in reading order */
    public static function of(Moment $now): array
    {
        $items = [];
        foreach ($now->map->all() as $id => $topic) {
            $days = $todo = [];
            foreach (self::days($now, (string) $id) as $day) {
                // The days of fields are named by the field, those of to-dos by a word.
                Ids::valid($day->what) ? $days[] = $day : $todo[$day->what] = $day->from;
            }
            $progress = TodoProgress::of($now, (string) $id);
            if ($progress !== null) {
                $items[] = self::item($now, $topic, 'todo', $todo['begins'] ?? null, $todo['by'] ?? null, $progress, $todo['done'] ?? null);
            }
            foreach ($days as $day) {
                $items[] = self::item($now, $topic, $day->what, $day->from, $day->to);
            }
        }

        return $items;
    }

    private static function item(Moment $now, Topic $topic, string $what, ?string $from, ?string $to, ?int $progress = null, ?string $done = null): CalendarItem
    {
        $columns = Columns::of($now);
        $told = fn (string $word): string => implode(', ', ($columns['field:'.ShippedKinds::fieldId($word)] ?? null)?->told($topic->id) ?? []);
        $isMain = $what === ShippedKinds::fieldId('date');
        $title = InlineMarkdown::oneLine($topic->title);
        // Of several days of a topic each says which it is.
        $called = $isMain || $progress !== null || ! isset($columns["field:{$what}"]) ? '' : $columns["field:{$what}"]->words;
        $time = $isMain ? $told('time') : '';

        return new CalendarItem(
            $topic->id, $what, $called === '' || $called === self::DAYS ? $title : "{$title} ({$called})", $from, $to, preg_match('/^\d\d:\d\d$/D', $time) === 1 ? $time : null,
            $told('place'), $progress, $done, $topic->note, array_slice(Trail::to($now->map, $topic->id, 80), 0, -1), $topic->changed,
        );
    }

    /** What the field is called that has more than one day of what comes from a calendar. */
    public const DAYS = 'Days';

    /** @return iterable<TopicDay> */
    private static function days(Moment $now, string $topic): iterable
    {
        foreach (Features::all() as $feature) {
            if ($feature instanceof TellsDays) {
                yield from $feature->days($now, $topic);
            }
        }
    }
}
