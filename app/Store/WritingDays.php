<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\MapRecord;
use App\Models\Person;
use App\Models\WritingDay;
use ChalkTree\Draft\WordsWritten;
use ChalkTree\Edit\Changes;
use ChalkTree\Map\TopicMap;

/** The days on which somebody wrote in a map, and how many words. Each is told their own alone. */
final readonly class WritingDays
{
    /** Days that are told at once: a year, and the week in which it began. */
    private const MOST = 372;

    /** @param  TopicMap  $map  as it is after these changes */
    public function note(MapRecord $record, Person $person, TopicMap $map, Changes $changes): void
    {
        $words = WordsWritten::by($map, $changes);
        if ($words !== 0) {
            WritingDay::query()->upsert(
                [['map_id' => $record->id, 'person_id' => $person->id, 'day' => $person->today(), 'words' => $words]],
                ['map_id', 'person_id', 'day'],
                ['words' => WritingDay::query()->raw("writing_days.words + {$words}")],
            );
        }
    }

    public function on(MapRecord $record, Person $person, string $day): int
    {
        return (int) WritingDay::query()->where('map_id', $record->id)->where('person_id', $person->id)->where('day', $day)->value('words');
    }

    /** @return list<array{day: string, words: int}> the latest first */
    public function of(MapRecord $record, Person $person): array
    {
        $days = WritingDay::query()->where('map_id', $record->id)->where('person_id', $person->id)->latest('day');
        $days->limit(self::MOST);

        return array_values($days->get()->map(fn (WritingDay $day): array => ['day' => $day->day, 'words' => $day->words])->all());
    }
}
