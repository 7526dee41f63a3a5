<?php

declare(strict_types=1);

use ChalkTree\Ask\Moment;
use ChalkTree\Calendar\CalendarItem;
use ChalkTree\Calendar\CalendarItems;
use ChalkTree\Exchange\Formats;
use ChalkTree\Exchange\UnreadableFile;
use ChalkTree\Kind\KindField;
use ChalkTree\Kind\ShippedKinds;
use ChalkTree\Kind\Values;
use ChalkTree\Map\Ids;
use ChalkTree\Map\TopicMap;
use ChalkTree\Task\Task;
use Tests\Support\Chance;
use Tests\Support\Outline;

/* Calendars: what has a date, and what is to be done. */

/** @return list<array{string, string|null, string|null, string|null, string, int|null}> title, days, time, place, how far */
function inCalendar(TopicMap $map): array
{
    $items = array_map(fn (CalendarItem $item): array => [$item->title, $item->from, $item->to, $item->time, $item->place, $item->progress], CalendarItems::of(new Moment($map, A_DAY)));
    sort($items);

    return $items;
}

function calendarMap(): TopicMap
{
    $map = Outline::map("Festival\n\tMeeting; with, commas\n\tFestival week\n\tGlue paper\n\tThought\n\tCut willow");
    $id = fn (string $title): string => Outline::id($map, $title);
    foreach (ShippedKinds::rows() as $row) {
        $map->put($row);
    }
    $map->put(KindField::fromFields($span = Ids::next(), ['name' => 'Days', 'sort' => 'range']));
    $map->put(Values::fromFields($id('Meeting; with, commas'), [])->having([ShippedKinds::fieldId('date') => '2026-12-05', ShippedKinds::fieldId('time') => '18:30', ShippedKinds::fieldId('place') => 'Net loft']));
    $map->put(Values::fromFields($id('Festival week'), [])->having([$span => '2026-12-28/2027-01-02']));
    $map->put(Task::fromFields($id('Glue paper'), ['is' => true, 'by' => '2026-12-01', 'begins' => '2026-11-20', 'progress' => 40]));
    $map->put(Task::fromFields($id('Cut willow'), ['is' => true, 'progress' => 100, 'done' => '2026-10-31']));

    return $map;
}

it('writes what has a date as events and what is to be done as to-dos, and reads them back', function () {
    $map = calendarMap();
    $ics = Formats::write($map, 'ics');
    expect($ics)->toContain("SUMMARY:Meeting\\; with\\, commas\r\n")->toContain("DTSTART:20261205T183000\r\n")->toContain("DTSTART;VALUE=DATE:20261228\r\nDTEND;VALUE=DATE:20270103\r\n")
        ->toContain('DUE;VALUE=DATE:20261201')->toContain('PERCENT-COMPLETE:40')->toContain('STATUS:COMPLETED')->toContain('COMPLETED:20261031T120000Z')
        ->toContain('LOCATION:Net loft')->not->toContain('Thought')
        // The same comes out each time, so that a calendar knows what it has.
        ->and(Formats::write($map, 'ics'))->toBe($ics);
    $back = Formats::read($ics, 'festival.ics');
    expect(inCalendar($back))->toBe(inCalendar($map))->and($back->root()->title)->toBe('Festival');
});

it('reads back whatever it writes', function (int $seed) {
    $chance = new Chance($seed);
    $map = mapToAsk($chance);
    // Days of fields that go by other names come back under one that a calendar has.
    $known = fn (TopicMap $one): array => array_map(fn (array $item): array => [trim((string) preg_replace('/\s+/u', ' ', $item[0])), $item[1] ?? $item[2], $item[5]], inCalendar($one));
    $wanted = $known($map);
    $found = $known(Formats::read(Formats::write($map, 'ics'), 'x.ics'));
    sort($wanted);
    sort($found);
    expect(count($found))->toBe(count($wanted))->and(array_column($found, 2))->toEqualCanonicalizing(array_column($wanted, 2));
})->with(range(1, 20));

it('reads calendars of others', function (string $inside, array $item) {
    $map = Formats::read("BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:x\r\n{$inside}\r\nEND:VCALENDAR\r\n", 'others.ics');
    expect(inCalendar($map))->toBe($item === [] ? [] : [$item]);
})->with([
    'a whole day' => ["BEGIN:VEVENT\r\nUID:1\r\nDTSTART;VALUE=DATE:20261205\r\nSUMMARY:Lantern day\r\nEND:VEVENT", ['Lantern day', '2026-12-05', '2026-12-05', null, '', null]],
    'an hour in a zone' => ["BEGIN:VEVENT\r\nUID:1\r\nDTSTART;TZID=Europe/Lisbon:20261205T183000\r\nDTEND;TZID=Europe/Lisbon:20261205T193000\r\nSUMMARY:Meeting\r\nLOCATION:Net\r\n  loft\r\nEND:VEVENT", ['Meeting', '2026-12-05', '2026-12-05', '18:30', 'Net loft', null]],
    'until midnight' => ["BEGIN:VEVENT\r\nUID:1\r\nDTSTART:20261205T220000Z\r\nDTEND:20261206T000000Z\r\nSUMMARY:Late\r\nEND:VEVENT", ['Late', '2026-12-05', '2026-12-05', '22:00', '', null]],
    'several days' => ["BEGIN:VEVENT\r\nUID:1\r\nDTSTART;VALUE=DATE:20261205\r\nDTEND;VALUE=DATE:20261208\r\nSUMMARY:Away\r\nEND:VEVENT", ['Away', '2026-12-05', '2026-12-07', null, '', null]],
    'a to-do without a day' => ["BEGIN:VTODO\r\nUID:1\r\nSUMMARY:*Buy* rope\r\nEND:VTODO", ['*Buy* rope', null, null, null, '', 0]],
    'one that is done' => ["BEGIN:VTODO\r\nUID:1\r\nDUE:20261205T100000Z\r\nCOMPLETED:20261204T100000Z\r\nSUMMARY:Rope\r\nEND:VTODO", ['Rope', null, '2026-12-05', null, '', 100]],
    'no day that there is' => ["BEGIN:VEVENT\r\nUID:1\r\nDTSTART:soon\r\nSUMMARY:Some day\r\nEND:VEVENT", []],
    'what is neither' => ["BEGIN:VJOURNAL\r\nUID:1\r\nSUMMARY:Diary\r\nEND:VJOURNAL", []],
]);

it('tells what repeats, and keeps what is said of it', function () {
    $map = Formats::read("BEGIN:VCALENDAR\r\nX-WR-CALNAME:Net loft\r\nBEGIN:VEVENT\r\nDTSTART;VALUE=DATE:20261205\r\nRRULE:FREQ=WEEKLY;COUNT=5\r\nSUMMARY:Singing\r\nDESCRIPTION:Bring\\nwarm *things*\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n", 'a.ics');
    $topic = $map->topic(Outline::id($map, 'Singing'));
    expect($map->root()->title)->toBe('Net loft')->and($topic->caption)->toBe('every week')->and($topic->note)->toBe("Bring\nwarm \\*things\\*");
});

it('says what is wrong with a file, and takes nothing of it', function (string $file) {
    Formats::read($file, 'bad.ics');
})->throws(UnreadableFile::class)->with([
    'no calendar' => 'BEGIN:VCARD'."\nEND:VCARD\n",
    'words' => 'hello',
    'one that ends too soon' => "BEGIN:VCALENDAR\nBEGIN:VEVENT\nSUMMARY:x\n",
    'nested without end' => str_repeat("BEGIN:VEVENT\n", 5_000),
    'too many' => "BEGIN:VCALENDAR\n".str_repeat("BEGIN:VEVENT\nEND:VEVENT\n", 21_000).'END:VCALENDAR',
]);
