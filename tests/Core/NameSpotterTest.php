<?php

declare(strict_types=1);

use ChalkTree\Edit\TopicDraft;
use ChalkTree\Story\Cast;
use ChalkTree\Story\NameSpotter;

/** How often each of some people is named in a text, by their titles. */
function spotted(array $people, string $text, array $called = []): array
{
    $map = storyMap(new TopicDraft('Story', children: array_map(fn (string $title): TopicDraft => new TopicDraft($title), $people)));
    ofKind($map, 'character', ...$people);
    foreach ($called as $title => $names) {
        fillIn($map, $title, ['also-called' => $names]);
    }
    $titles = array_map(fn (string $topic): string => $map->topic($topic)->title, array_combine(array_keys($counts = NameSpotter::for(Cast::of($map))->counts($text)), array_keys($counts)));

    return array_combine($titles, $counts);
}

it('finds names as people write them', function (string $text, array $wanted) {
    expect(spotted(['Ida Marsh', 'Jonas Brill', 'Rose', 'Anne-Marie', 'old Tom'], $text, ['Jonas Brill' => 'the Pilot, Joss, J. B. of St. Orrin']))->toBe($wanted);
})->with([
    'whole' => ['Ida Marsh came.', ['Ida Marsh' => 1]],
    'in parts' => ['Ida came. “Marsh!” he called.', ['Ida Marsh' => 2]],
    'the whole counts once' => ['Ida Marsh, Ida', ['Ida Marsh' => 2]],
    'in the genitive' => ["Ida's, Ida’s, Idas and Marsh’s", ['Ida Marsh' => 4]],
    'in capitals' => ['IDA! IDA MARSH!', ['Ida Marsh' => 2]],
    'formatted' => ['**Ida** *Marsh*, _Ida_', ['Ida Marsh' => 2]],
    'over the end of a line' => ["Ida\nMarsh", ['Ida Marsh' => 1]],
    'not within words' => ['Idaho, marshes, Marshal', []],
    'not what is written small' => ['a rose, the marsh', []],
    'at the begin of a sentence' => ['Rose rose.', ['Rose' => 1]],
    'with a hyphen or without' => ['Anne-Marie and Anne Marie', ['Anne-Marie' => 2]],
    'nicknames' => ['The Pilot knew. Joss, the Pilot.', ['Jonas Brill' => 3]],
    'one that begins small' => ['Old Tom and old Tom', ['old Tom' => 2]],
    'no sentence between' => ['It was Ida. Marsh grass grew.', ['Ida Marsh' => 2]],
    'not in addresses' => ['[a page](https://example.org/Ida)', []],
    'in the words of links' => ['[Ida](/maps/x)', ['Ida Marsh' => 1]],
    'not to oneself' => ['{{Ida?}} Rose', ['Rose' => 1]],
    'with full stops where the name has them' => ['J. B. of St. Orrin. J B of St Orrin', ['Jonas Brill' => 2]],
    'nothing' => ['', []],
]);

it('takes a part of a name for nobody where two have it', function () {
    expect(spotted(['Ida Marsh', 'Wren Marsh'], 'Marsh and Ida and Wren'))->toBe(['Ida Marsh' => 1, 'Wren Marsh' => 1])
        ->and(spotted(['Captain Brill', 'The Captain'], 'The Captain and Brill'))->toBe(['The Captain' => 1, 'Captain Brill' => 1]);
});

it('counts a nickname that two have for both, as their sheets say', function () {
    expect(spotted(['Ida', 'Wren'], 'Little one!', ['Ida' => 'little one', 'Wren' => 'little one']))->toBe(['Ida' => 1, 'Wren' => 1]);
});

it('finds names that are composed of signs in either way', function () {
    expect(spotted(["Ren\u{e9}"], "Rene\u{301} and Ren\u{e9}"))->toBe(["Ren\u{e9}" => 2]);
});

it('finds what stands anywhere in a long text without a blank line', function () {
    expect(spotted(['Ida Marsh'], str_repeat('water and wind and ', 5_000).'Ida Marsh '.str_repeat('water ', 9_000).'Ida'))->toBe(['Ida Marsh' => 2]);
});

it('finds as many as a search for each name by itself', function (int $seed) {
    mt_srand($seed);
    $names = ['Ada', 'Bo Lund', 'Cy', 'Dag Moe Ruud', 'Eli'];
    $words = [...$names, 'ada', 'and', 'Lunds', 'Moe', '.', ',', '—', "\n\n", 'Elis', 'Cyan'];
    $text = implode(' ', array_map(fn (): string => $words[mt_rand(0, count($words) - 1)], range(1, 300)));
    $wanted = [];
    foreach ($names as $name) {
        // Each part alone counts too, but not where the whole name stands.
        $forms = array_unique([preg_quote($name), ...array_map(preg_quote(...), array_filter(explode(' ', $name), fn (string $part): bool => strlen($part) > 2))]);
        $number = preg_match_all('/(?<![\pL\pN])(?:'.implode('|', $forms).')(?:s(?<=\pL{4}))?(?![\pL\pN])/u', $text);
        $wanted += $number > 0 ? [$name => $number] : [];
    }
    $found = spotted($names, $text);
    ksort($found);
    ksort($wanted);
    expect($found)->toBe($wanted);
})->with(range(1, 12));

it('takes a cast of thousands', function () {
    $map = storyMap(new TopicDraft('Story', children: array_map(fn (int $n): TopicDraft => new TopicDraft("Person{$n} Of{$n} House"), range(1, 1_500))));
    ofKind($map, 'character', ...array_map(fn (int $n): string => "Person{$n} Of{$n} House", range(1, 1_500)));
    expect(NameSpotter::for(Cast::of($map))->counts('Person1 and Person1500 Of1500 House'))->toHaveCount(2);
});
