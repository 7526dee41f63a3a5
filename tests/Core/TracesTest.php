<?php

declare(strict_types=1);

use ChalkTree\Ask\Condition;
use ChalkTree\Ask\Moment;
use ChalkTree\Ask\Reading;
use ChalkTree\Ask\Traces;
use ChalkTree\Kind\KindField;
use ChalkTree\Kind\Values;
use ChalkTree\Map\Ids;
use ChalkTree\Task\Remark;
use Tests\Support\Chance;
use Tests\Support\Outline;
use Tests\Support\RandomFacts;

/* Of many maps only those are opened whose traces tell that there may be hits. */

it('passes over no map in which a condition holds of a topic', function (int $seed) {
    $chance = new Chance($seed);
    $map = mapToAsk($chance);
    $now = new Moment($map, A_DAY);
    $traces = Traces::of($map, A_DAY);
    $passed = 0;
    for ($n = 0; $n < 30; $n++) {
        $condition = Condition::of((string) json_encode(RandomFacts::condition($chance, idsIn($map), 2)));
        $mayHold = $condition?->mayHold($now, $traces);
        $passed += $mayHold ? 0 : 1;
        foreach ($mayHold ? [] : idsIn($map) as $id) {
            expect($condition?->holds($now, $id))->toBeFalse();
        }
    }
    expect($passed)->toBeLessThan(30);
})->with(range(1, 60));

it('passes over no map in which what is typed is found', function (int $seed) {
    $chance = new Chance($seed);
    $map = mapToAsk($chance);
    $now = new Moment($map, A_DAY);
    $traces = Traces::of($map, A_DAY);
    for ($n = 0; $n < 20; $n++) {
        $condition = Reading::of(typedAtRandom($chance, $map), $now)->condition;
        foreach ($condition === null || $condition->mayHold($now, $traces) ? [] : idsIn($map) as $id) {
            expect($condition->holds($now, $id))->toBeFalse();
        }
    }
})->with(range(1, 30));

it('passes over what has nothing of what is asked, whatever its texts say', function (string $words, string $title, bool $mayHold) {
    $map = Outline::map("Plan\n\t{$title}");
    $now = new Moment($map, A_DAY);

    expect(Reading::of($words, $now)->condition?->mayHold($now, Traces::of($map, A_DAY)))->toBe($mayHold);
})->with([
    'a word that is there' => ['LANTERN', 'Grüne Lanternen', true],
    'letters with accents' => ['grÜne', 'GRÜNE Lanternen', true],
    'formatted text as one sees it' => ['lantern', '**lan**tern', true],
    'a word that is not' => ['ferry', 'Lanterns', false],
    'all of two words' => ['lantern ferry', 'Lanterns', false],
    'one of two words' => ['lantern or ferry', 'Lanterns', true],
    'nobody' => ['who Ines', 'who Ines', false],
    'no to-do, though it says so' => ['overdue', 'to-do overdue', false],
    'what is not so' => ['not overdue', 'Lanterns', true],
    'no picture' => ['has a picture', 'has picture', false],
]);

it('finds what is said of a topic besides its own texts', function (string $words, bool $isFound) {
    $map = Outline::map("Plan\n\tLanterns\n\tFerry");
    $lanterns = Outline::id($map, 'Lanterns');
    $map->put(KindField::fromFields($place = Ids::next(), ['kind' => Ids::next(), 'name' => 'Place', 'sort' => 'text', 'place' => 1]));
    $map->put(Values::fromFields($lanterns, [])->having([$place => 'Net loft “behind” the Größe']));
    $map->put(Remark::fromFields(Ids::next(), ['at' => $lanterns, 'on' => A_DAY, 'said' => 'Glue has dried']));
    $now = new Moment($map, A_DAY);
    $condition = Reading::of($words, $now)->condition;

    expect($condition?->holds($now, $lanterns))->toBe($isFound)
        ->and($condition?->holds($now, Outline::id($map, 'Ferry')))->toBeFalse()
        ->and($condition?->mayHold($now, Traces::of($map, A_DAY)))->toBe($isFound);
})->with([
    'a value' => ['net LOFT', true],
    'a remark' => ['dried', true],
    'letters with accents' => ['grÖSSe or größE', true],
    'quotes' => ['text behind', true],
    'nothing of it' => ['lofty', false],
    'what is no text of it' => [A_DAY, false],
]);
