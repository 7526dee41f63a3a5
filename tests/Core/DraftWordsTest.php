<?php

declare(strict_types=1);

use ChalkTree\Draft\DraftWords;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Map\TopicMap;
use ChalkTree\Sign\TopicStamps;
use ChalkTree\Text\WordCount;
use Tests\Support\Chance;
use Tests\Support\Outline;
use Tests\Support\RandomMaps;

/* How many words a branch has that is written as one text. */

/** A short novel, with so many words in some of its notes. */
function novelMap(): TopicMap
{
    $map = Outline::map("Novel\n\tOne\n\t\tQuay\n\t\tFog\n\tTwo\n\t\tLamp\nNotes");
    foreach (['One' => 3, 'Quay' => 100, 'Fog' => 50, 'Lamp' => 400] as $title => $count) {
        $map->put($map->topic(Outline::id($map, $title))->with(['note' => trim(str_repeat('lantern ', $count))]));
    }

    return $map;
}

it('counts the section, its chapter and all', function (string $section, int $own, ?array $chapter, int $all) {
    $map = novelMap();
    $told = DraftWords::of($map, $map->root()->id, Outline::id($map, $section))->toArray();
    expect([$told['section'], $told['chapter'] === null ? null : [$told['chapter']['title'], $told['chapter']['words']], $told['all']])->toBe([$own, $chapter, $all]);
})->with([
    'a scene' => ['Fog', 50, ['One', 153], 553],
    'a chapter itself' => ['One', 3, ['One', 153], 553],
    'the draft itself' => ['Novel', 0, null, 553],
]);

it('counts what is below a branch that is the draft, and tells how long it takes', function () {
    $map = novelMap();
    $told = DraftWords::of($map, Outline::id($map, 'Two'), Outline::id($map, 'Lamp'))->toArray();
    // 400 words: 238 are read in a minute, 183 aloud.
    expect($told['all'])->toBe(400)->and($told['chapter']['title'] ?? null)->toBe('Lamp')->and([$told['reading'], $told['speaking']])->toBe([2, 3]);
});

it('refuses a section that is elsewhere', function () {
    $map = novelMap();
    DraftWords::of($map, Outline::id($map, 'One'), Outline::id($map, 'Lamp'));
})->throws(InvalidEdit::class, 'This section is not in the draft.');

it('has as many words in all as its sections have, whatever the branch', function (int $seed) {
    $chance = new Chance($seed);
    $map = RandomMaps::map($chance, $chance->int(3, 40));
    foreach ($map->all() as $topic) {
        $map->put($topic->with(['note' => trim(str_repeat($chance->pick(['a word ', '灯笼 ', '— ', '[x](y) ']), $chance->int(0, 30)))]));
    }
    $branch = (string) $chance->pick(array_keys($map->branch($map->root()->id)));
    $sum = array_sum(array_map(fn ($topic): int => WordCount::of($topic->note), $map->branch($branch)));
    foreach (array_keys($map->branch($branch)) as $section) {
        $told = DraftWords::of($map, $branch, (string) $section)->toArray();
        expect($told['all'])->toBe($sum)->and($told['section'])->toBe(WordCount::of($map->topic((string) $section)->note))
            ->and($told['chapter'] === null)->toBe((string) $section === $branch);
    }
})->with(range(1, 8));

it('counts nothing that is cut, nor what is below it, but where that is the draft itself', function () {
    $map = novelMap();
    $words = fn (string $branch, string $section): array => array_slice(DraftWords::of($map, Outline::id($map, $branch), Outline::id($map, $section))->toArray(), 0, 3);
    $map->put(TopicStamps::fromFields(Outline::id($map, 'Fog'), ['cut' => true]));
    expect($words('Novel', 'Fog'))->toMatchArray(['section' => 50, 'all' => 503])->and($words('Novel', 'Fog')['chapter']['words'])->toBe(103);
    $map->put(TopicStamps::fromFields(Outline::id($map, 'One'), ['cut' => true, 'idea' => true]));
    expect($words('Novel', 'Quay')['all'])->toBe(400)->and($words('One', 'Quay')['all'])->toBe(103);
    // Other stamps say nothing of it.
    $map->put(TopicStamps::fromFields(Outline::id($map, 'One'), ['idea' => true, 'look-up' => true]));
    expect($words('Novel', 'Quay')['all'])->toBe(503);
});
