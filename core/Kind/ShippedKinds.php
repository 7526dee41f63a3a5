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
        'part' => ['name' => 'Part in the story', 'sort' => 'choice', 'choices' => "viewpoint\nleading\nopposing\nhelping\nin passing", 'shown' => true],
        'wants' => ['name' => 'Wants', 'sort' => 'long'],
        'fears' => ['name' => 'Fears', 'sort' => 'long'],
        'lacks' => ['name' => 'Lacks', 'sort' => 'long'],
        'looks' => ['name' => 'Looks', 'sort' => 'long'],
        'speech' => ['name' => 'Speech', 'sort' => 'long'],
        'habits' => ['name' => 'Habits', 'sort' => 'long'],
        'past' => ['name' => 'What came before', 'sort' => 'long'],
        'viewpoint' => ['name' => 'Viewpoint', 'sort' => 'topic', 'shown' => true],
        'in-scene' => ['name' => 'In it', 'sort' => 'people', 'shown' => true],
        'when' => ['name' => 'When', 'sort' => 'text', 'shown' => true],
        'changes' => ['name' => 'What changes', 'sort' => 'long'],
        'tension' => ['name' => 'Tension', 'sort' => 'rating'],
        'senses' => ['name' => 'To hear and smell', 'sort' => 'long'],
        'cost' => ['name' => 'Cost', 'sort' => 'money', 'unit' => '€', 'shown' => true, 'rolls' => 'sum'],
        'paid-by' => ['name' => 'Paid by', 'sort' => 'people'],
        'paid' => ['name' => 'Paid', 'sort' => 'yes'],
    ];

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
        'source' => ['name' => 'Source', 'fields' => ['author', 'year', 'source-sort', 'found-at', 'quoted'], 'parts' => [], 'look' => ['face' => 'reading', 'slant' => 'slanted']],
        'expense' => ['name' => 'Expense', 'stamp' => 'stamp:money', 'fields' => ['cost', 'paid-by', 'paid'], 'parts' => []],
        'character' => ['name' => 'Character', 'stamp' => 'stamp:person', 'fields' => ['part', 'wants', 'fears', 'lacks', 'looks', 'speech', 'habits', 'past'], 'parts' => [], 'look' => ['shape' => 'capsule']],
        'scene' => ['name' => 'Scene', 'fields' => ['viewpoint', 'place', 'when', 'in-scene', 'changes', 'tension'], 'parts' => []],
        'place' => ['name' => 'Place', 'stamp' => 'stamp:place', 'fields' => ['reach', 'looks', 'senses'], 'parts' => []],
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

    /** @param  list<array{0: string, 1?: int}>  $parts */
    private static function parts(array $parts): ?string
    {
        $all = array_map(fn (array $part): array => ['t' => $part[0]] + (isset($part[1]) ? ['l' => $part[1]] : []), $parts);

        return $all === [] ? null : json_encode($all, JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR);
    }
}
