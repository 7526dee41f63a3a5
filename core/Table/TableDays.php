<?php

declare(strict_types=1);

namespace ChalkTree\Table;

use ChalkTree\Ask\Condition;
use ChalkTree\Ask\Moment;
use ChalkTree\Calendar\CalendarItem;
use ChalkTree\Calendar\CalendarItems;
use ChalkTree\Kind\FieldSort;
use ChalkTree\Kind\KindField;

/** The topics of a table by their days: what stands in a calendar, and which cells say so. */
final class TableDays
{
    /** So many are told at most. */
    private const MOST = 2_000;

    /**
     * What there is on some days; all levels are looked at, since a day is seldom said of the first.
     *
     * @return list<CalendarItem> by their first day
     */
    public static function of(Moment $now, Table $table, ?Condition $also, string $from, string $to): array
    {
        $rows = array_fill_keys(TableRows::of($now, $table->with(['deep' => true]), $also)->topics(), true);
        $items = array_values(array_filter(CalendarItems::of($now), function (CalendarItem $item) use ($rows, $from, $to): bool {
            [$first, $last] = self::span($item);

            return isset($rows[$item->topic]) && $first !== '' && $first <= $to && $last >= $from;
        }));
        usort($items, fn (CalendarItem $a, CalendarItem $b): int => self::span($a) <=> self::span($b));

        return array_slice($items, 0, self::MOST);
    }

    /** @return array{string, string} its first and its last day; a to-do that is done and has no date stands where it was done */
    public static function span(CalendarItem $item): array
    {
        $last = $item->to ?? $item->from ?? $item->done ?? '';

        return [$item->from ?? $last, $last];
    }

    /** Whether its days can be several: those of a to-do, and of fields that hold two. */
    public static function isSpan(Moment $now, CalendarItem $item): bool
    {
        $field = $now->map->row(KindField::type(), $item->what);

        return $item->isTodo() || ($field instanceof KindField && $field->sort() === FieldSort::Range);
    }
}
