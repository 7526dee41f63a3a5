<?php

declare(strict_types=1);

namespace ChalkTree\Exchange;

use ChalkTree\Ask\Days;
use ChalkTree\Ask\Moment;
use ChalkTree\Calendar\CalendarItem;
use ChalkTree\Calendar\CalendarItems;
use ChalkTree\Map\TopicMap;
use ChalkTree\Text\InlineMarkdown;
use Sabre\VObject\Component;
use Sabre\VObject\Component\VCalendar;

/** Writes what has a date as events, and what is to be done as to-dos. Each has an id that stays, so that a calendar knows it again. */
final class IcsWriter implements Writer
{
    public function write(TopicMap $map): string
    {
        return OldLibrary::run(fn (): string => $this->written($map));
    }

    private function written(TopicMap $map): string
    {
        $calendar = new VCalendar(['PRODID' => '-//Chalk Tree//Chalk Tree//EN'], false);
        $calendar->add('VERSION', '2.0');
        $calendar->add('X-WR-CALNAME', $map->sheet()->title ?? InlineMarkdown::oneLine($map->root()->title));
        foreach (CalendarItems::of(new Moment($map)) as $item) {
            $item->isTodo() ? $this->todo($calendar, $item) : $this->event($calendar, $item);
        }

        return $calendar->serialize();
    }

    private function event(VCalendar $calendar, CalendarItem $item): void
    {
        $event = $this->component($calendar, 'VEVENT', $item);
        $from = (string) $item->from;
        if ($item->time !== null) {
            // At that time wherever one is.
            $event->add('DTSTART', self::bare($from).'T'.str_replace(':', '', $item->time).'00');
        } else {
            $event->add('DTSTART', self::bare($from), ['VALUE' => 'DATE']);
            // The end is the day after the last.
            $event->add('DTEND', self::bare(Days::plus($item->to ?? $from, 1)), ['VALUE' => 'DATE']);
            $event->add('TRANSP', 'TRANSPARENT');
        }
    }

    private function todo(VCalendar $calendar, CalendarItem $item): void
    {
        $todo = $this->component($calendar, 'VTODO', $item);
        foreach (['DTSTART' => $item->from, 'DUE' => $item->to] as $name => $day) {
            // A beginning after the end is none that a calendar takes.
            if ($day !== null && ($name === 'DUE' || $item->to === null || $day <= $item->to)) {
                $todo->add($name, self::bare($day), ['VALUE' => 'DATE']);
            }
        }
        $todo->add('PERCENT-COMPLETE', $item->progress);
        $todo->add('STATUS', $item->progress >= 100 ? 'COMPLETED' : ($item->progress > 0 ? 'IN-PROCESS' : 'NEEDS-ACTION'));
        if ($item->progress >= 100 && $item->done !== null) {
            $todo->add('COMPLETED', self::bare($item->done).'T120000Z');
        }
    }

    private function component(VCalendar $calendar, string $name, CalendarItem $item): Component
    {
        /** @var Component $component what is added without a value is a component */
        $component = $calendar->add($name, [], false);
        $component->add('UID', "{$item->topic}-{$item->what}@chalk-tree");
        $component->add('DTSTAMP', gmdate('Ymd\THis\Z', $item->changed));
        $component->add('SUMMARY', $item->title);
        $about = array_filter([implode(' › ', $item->trail), $item->note], fn (string $text): bool => $text !== '');
        if ($about !== []) {
            $component->add('DESCRIPTION', implode("\n\n", $about));
        }
        if ($item->place !== '') {
            $component->add('LOCATION', $item->place);
        }

        return $component;
    }

    private static function bare(string $day): string
    {
        return str_replace('-', '', $day);
    }
}
