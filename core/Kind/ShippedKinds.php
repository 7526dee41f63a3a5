<?php

declare(strict_types=1);

namespace ChalkTree\Kind;

use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\Ids;

/**
 * The kinds that ship, as rows that a map takes when one is used for the first time. Their ids, and those of their
 * fields, always are the same, so that a field such as "Place" is one for all kinds that have it, in every map.
 */
final class ShippedKinds
{
    /** Fields by a word for each that never changes. */
    private const FIELDS = [
        'date' => ['name' => 'Date', 'sort' => 'date', 'blank' => 'today'],
        'time' => ['name' => 'Time', 'sort' => 'time'],
        'place' => ['name' => 'Place', 'sort' => 'text', 'shown' => true],
        'present' => ['name' => 'Present', 'sort' => 'people', 'shown' => true],
        'spoke-with' => ['name' => 'Spoke with', 'sort' => 'people', 'shown' => true],
        'reach' => ['name' => 'How to reach', 'sort' => 'text', 'shown' => true],
        'author' => ['name' => 'Author', 'sort' => 'people', 'shown' => true],
        'year' => ['name' => 'Year', 'sort' => 'number'],
        'found-at' => ['name' => 'Found at', 'sort' => 'address'],
        'told-by' => ['name' => 'Recommended by', 'sort' => 'people', 'shown' => true],
        'read-on' => ['name' => 'Read on', 'sort' => 'date'],
        'rating' => ['name' => 'Rating', 'sort' => 'rating', 'shown' => true],
        'source-sort' => ['name' => 'Sort of source', 'sort' => 'choice', 'choices' => "book\narticle\nletter\npicture\nrecording\nconversation"],
        'quoted' => ['name' => 'Quoted', 'sort' => 'long'],
        'decided-by' => ['name' => 'Decided by', 'sort' => 'people', 'shown' => true],
        'why' => ['name' => 'Why', 'sort' => 'long'],
        'until' => ['name' => 'Holds until', 'sort' => 'date', 'shown' => true],
        'also-called' => ['name' => 'Also called', 'sort' => 'names', 'question' => 'What else is … called, and by whom?'],
        'part' => ['name' => 'Part in the story', 'sort' => 'choice', 'choices' => "viewpoint\nleading\nopposing\nhelping\nin passing", 'shown' => true, 'question' => 'What would be missing from the story without …?'],
        'wants' => ['name' => 'Wants', 'sort' => 'long', 'question' => 'What is … after in this story, and what would be enough?'],
        'drives' => ['name' => 'Driven by', 'sort' => 'long', 'question' => 'What keeps … going when nobody is watching?'],
        'fears' => ['name' => 'Fears', 'sort' => 'long', 'question' => 'What would … do almost anything to avoid?'],
        'lacks' => ['name' => 'Lacks', 'sort' => 'long', 'question' => 'What does … need and not know of?'],
        'skills' => ['name' => 'Good at', 'sort' => 'long', 'question' => 'What do others come to … for?'],
        'looks' => ['name' => 'Looks', 'sort' => 'long', 'question' => 'What does one see first of …, and what only later?'],
        'speech' => ['name' => 'Speech', 'sort' => 'long', 'question' => 'How would one know … by voice alone, in the dark?'],
        'habits' => ['name' => 'Habits', 'sort' => 'long', 'question' => 'What does … do every day without thinking?'],
        'tastes' => ['name' => 'Food and drink', 'sort' => 'long', 'question' => 'What does … eat alone, and what in company?'],
        'ties' => ['name' => 'Ties to others', 'sort' => 'long', 'question' => 'Whom does … owe something, and who owes …?'],
        'keeps-quiet' => ['name' => 'Keeps quiet', 'sort' => 'long', 'question' => 'What has … told nobody?'],
        'past' => ['name' => 'What came before', 'sort' => 'long', 'question' => 'Which day before the story still matters to …?'],
        'viewpoint' => ['name' => 'Viewpoint', 'sort' => 'topic', 'shown' => true, 'question' => 'Through whose eyes is … told?'],
        'in-scene' => ['name' => 'In it', 'sort' => 'people', 'shown' => true, 'question' => 'Who is in …?'],
        'story-day' => ['name' => 'Day in the story', 'sort' => 'date', 'question' => 'On which day of the story is …?'],
        'when' => ['name' => 'When', 'sort' => 'text', 'shown' => true],
        'happens' => ['name' => 'What happens', 'sort' => 'long', 'question' => 'What happens in …?'],
        'changes' => ['name' => 'What changes', 'sort' => 'long', 'question' => 'What is not as before when … is over?'],
        'threads' => ['name' => 'Threads', 'sort' => 'names', 'shown' => true, 'question' => 'Which threads run through …?'],
        'closes' => ['name' => 'Threads that end here', 'sort' => 'names', 'question' => 'Which threads come to their end in …?'],
        'tension' => ['name' => 'Tension', 'sort' => 'rating', 'question' => 'How tense is …, from 1 to 5?'],
        'senses' => ['name' => 'To hear and smell', 'sort' => 'long', 'question' => 'What would one hear and smell at … with eyes shut?'],
        'light' => ['name' => 'Light and weather', 'sort' => 'long', 'question' => 'How does … look at the hour when most happens there?'],
        'found-here' => ['name' => 'Who is found here', 'sort' => 'long', 'question' => 'Who is at home at …, and who is only let in?'],
        'happened-here' => ['name' => 'What happened here', 'sort' => 'long', 'question' => 'What happened at … before anybody in the story came there?'],
        'made-of' => ['name' => 'Made of', 'sort' => 'long', 'question' => 'What is … made of, and where is it worn?'],
        'whose' => ['name' => 'Whose', 'sort' => 'people', 'shown' => true, 'question' => 'Whose is …?'],
        'stands-for' => ['name' => 'Stands for', 'sort' => 'long', 'question' => 'What does … mean to those who want it?'],
        'thread-asks' => ['name' => 'What it asks', 'sort' => 'long', 'question' => 'Which question does … keep open?'],
        'at-stake' => ['name' => 'At stake', 'sort' => 'long', 'question' => 'Who loses what if … ends badly?'],
        'thread-end' => ['name' => 'How it ends', 'sort' => 'long', 'question' => 'How does … end, and who knows of it?'],
        'chapter-for' => ['name' => 'What it is for', 'sort' => 'long', 'question' => 'What has to have happened by the end of …?'],
        'cost' => ['name' => 'Cost', 'sort' => 'money', 'unit' => '€', 'shown' => true, 'rolls' => 'sum'],
        'paid-by' => ['name' => 'Paid by', 'sort' => 'people'],
        'paid' => ['name' => 'Paid', 'sort' => 'yes'],
    ];

    /** Fields in which topics of a kind are named. */
    private const NAMED = ['in-scene' => 'character', 'whose' => 'character', 'threads' => 'thread', 'closes' => 'thread'];

    /** Kinds by a word for each that never changes; "fields" by their words, "parts" as title, or title and level and kind. */
    private const KINDS = [
        'meeting' => [
            'name' => 'Meeting', 'stamp' => 'stamp:date', 'pattern' => 'Meeting, {date}', 'fields' => ['date', 'time', 'place', 'present'],
            'parts' => [['Agenda'], ['', 1], ['What was said'], ['Decided'], ['To do'], ['Next time']], 'look' => ['weight' => 'bold'],
        ],
        'call' => ['name' => 'Call', 'stamp' => 'stamp:person', 'pattern' => 'Call, {date} {time}', 'fields' => ['date', 'spoke-with', 'reach'], 'parts' => [['What it was about'], ['', 1], ['Agreed']]],
        'todo' => ['name' => 'To-do', 'todo' => true, 'fields' => [], 'parts' => []],
        'decision' => ['name' => 'Decision', 'stamp' => 'stamp:important', 'fields' => ['date', 'decided-by', 'why', 'until'], 'parts' => [], 'look' => ['shape' => 'hexagon']],
        'reading' => ['name' => 'Reading', 'stamp' => 'stamp:look-up', 'fields' => ['author', 'told-by', 'found-at', 'read-on', 'rating'], 'parts' => []],
        'source' => ['name' => 'Source', 'fields' => ['author', 'year', 'source-sort', 'found-at', 'quoted', 'also-called'], 'parts' => [], 'look' => ['face' => 'reading', 'slant' => 'slanted']],
        'expense' => ['name' => 'Expense', 'stamp' => 'stamp:money', 'fields' => ['cost', 'paid-by', 'paid'], 'parts' => []],
        'character' => ['name' => 'Character', 'stamp' => 'stamp:person', 'fields' => ['also-called', 'part', 'wants', 'drives', 'fears', 'lacks', 'skills', 'looks', 'speech', 'habits', 'tastes', 'ties', 'keeps-quiet', 'past'], 'parts' => [], 'look' => ['shape' => 'capsule']],
        'scene' => ['name' => 'Scene', 'fields' => ['viewpoint', 'place', 'story-day', 'time', 'when', 'in-scene', 'happens', 'changes', 'threads', 'closes', 'tension'], 'parts' => []],
        'place' => ['name' => 'Place', 'stamp' => 'stamp:place', 'fields' => ['also-called', 'reach', 'looks', 'senses', 'light', 'found-here', 'happened-here'], 'parts' => []],
        'object' => ['name' => 'Object', 'fields' => ['also-called', 'made-of', 'whose', 'place', 'stands-for', 'past'], 'parts' => [], 'look' => ['shape' => 'hexagon']],
        'thread' => ['name' => 'Thread', 'fields' => ['thread-asks', 'at-stake', 'thread-end'], 'parts' => [], 'look' => ['slant' => 'slanted']],
        'chapter' => ['name' => 'Chapter', 'fields' => ['chapter-for'], 'parts' => [], 'look' => ['weight' => 'bold']],
    ];

    /** @return list<FeatureRow> all of them: the kinds, and the fields that they have */
    public static function rows(): array
    {
        $rows = [];
        foreach (self::KINDS as $word => $kind) {
            $rows[] = Kind::fromFields(self::kindId($word), array_filter([
                'name' => $kind['name'], 'stamp' => $kind['stamp'] ?? null, 'pattern' => $kind['pattern'] ?? null, 'todo' => $kind['todo'] ?? false,
                'fields' => $kind['fields'] === [] ? null : implode(' ', array_map(self::fieldId(...), $kind['fields'])),
                'parts' => self::parts($kind['parts']),
            ] + ($kind['look'] ?? []), fn (mixed $value): bool => $value !== null));
        }
        foreach (self::FIELDS as $word => $field) {
            $rows[] = KindField::fromFields(self::fieldId($word), $field);
        }

        return $rows;
    }

    public static function kindId(string $word): string
    {
        return Ids::named("kind {$word}");
    }

    public static function fieldId(string $word): string
    {
        return Ids::named("field {$word}");
    }

    /** The kind whose topics are named in a field; null where it is any. */
    public static function kindNamedIn(string $field): ?string
    {
        foreach (self::NAMED as $word => $kind) {
            if (self::fieldId($word) === $field) {
                return self::kindId($kind);
            }
        }

        return null;
    }

    /** @param  list<array{0: string, 1?: int}>  $parts */
    private static function parts(array $parts): ?string
    {
        $all = array_map(fn (array $part): array => ['t' => $part[0]] + (isset($part[1]) ? ['l' => $part[1]] : []), $parts);

        return $all === [] ? null : json_encode($all, JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR);
    }
}
