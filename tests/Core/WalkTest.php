<?php

declare(strict_types=1);

use ChalkTree\Edit\Changes;
use ChalkTree\Edit\Edits;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Edit\Recorder;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\HandOver\Outgoing;
use ChalkTree\Map\NewMap;
use ChalkTree\Map\Rank;
use ChalkTree\Refusal;
use ChalkTree\Walk\Stop;
use ChalkTree\Walk\Stops;
use Tests\Support\Chance;
use Tests\Support\RandomMaps;

beforeEach(function () {
    $this->map = NewMap::from(new TopicDraft('Ferry', children: [
        new TopicDraft('Deck', children: [new TopicDraft('Bench'), new TopicDraft('Rail')]),
        new TopicDraft('Engine', children: [new TopicDraft('Oil')]),
        new TopicDraft('Crew'),
    ]));
    $this->id = fn (string $title): string => (string) array_search($title, array_map(fn ($topic): string => $topic->title, $this->map->everything()), true);
    $this->make = fn (string $name, array $with): Changes => Edits::apply(Edits::read($name, $with), $this->map);
    $this->put = fn (array $titles, array $with = []): Changes => ($this->make)('stop.put', ['topics' => array_map($this->id, $titles)] + $with);
    $this->order = fn (): array => array_map(fn (Stop $stop): string => $this->map->topic($stop->id)->title, Stops::of($this->map));
});

it('has stops in the order in which they are marked, not in that of the map', function () {
    ($this->put)(['Crew', 'Deck']);
    ($this->put)(['Oil']);
    expect(($this->order)())->toBe(['Crew', 'Deck', 'Oil']);
});

it('moves stops to after another, and before all', function (array $moved, ?string $after, array $order) {
    ($this->put)(['Deck', 'Bench', 'Engine', 'Crew']);
    ($this->put)($moved, ['after' => $after === null ? null : ($this->id)($after)]);
    expect(($this->order)())->toBe($order);
})->with([
    'first' => [['Crew'], null, ['Crew', 'Deck', 'Bench', 'Engine']],
    'several first' => [['Crew', 'Bench'], null, ['Crew', 'Bench', 'Deck', 'Engine']],
    'between' => [['Crew'], 'Deck', ['Deck', 'Crew', 'Bench', 'Engine']],
    'to the end' => [['Deck'], 'Crew', ['Bench', 'Engine', 'Crew', 'Deck']],
    'where it was' => [['Bench'], 'Deck', ['Deck', 'Bench', 'Engine', 'Crew']],
    'one that is new' => [['Rail'], 'Bench', ['Deck', 'Bench', 'Rail', 'Engine', 'Crew']],
    'named twice' => [['Crew', 'Crew'], 'Deck', ['Deck', 'Crew', 'Bench', 'Engine']],
]);

it('moves to the end where nothing is said', function () {
    ($this->put)(['Deck', 'Bench', 'Engine']);
    ($this->put)(['Deck']);
    expect(($this->order)())->toBe(['Bench', 'Engine', 'Deck']);
    ($this->put)(['Bench', 'Engine', 'Deck']);
    expect(($this->order)())->toBe(['Bench', 'Engine', 'Deck']);
});

it('takes stops off and leaves what was none', function () {
    ($this->put)(['Deck', 'Bench', 'Engine']);
    ($this->make)('stop.remove', ['topics' => array_map($this->id, ['Bench', 'Crew'])]);
    expect(($this->order)())->toBe(['Deck', 'Engine']);
    expect($this->map->row('stop', ($this->id)('Bench')))->toBeNull();
});

it('refuses what cannot be', function (array $topics, array $with) {
    ($this->put)(['Deck']);
    expect(fn () => ($this->make)('stop.put', ['topics' => array_map(fn (string $title): string => ($this->id)($title) ?: $title, $topics)] + $with))->toThrow(Refusal::class);
    expect(($this->order)())->toBe(['Deck']);
})->with([
    'a topic that is not there' => [['00000000000000000000000000'], []],
    'no topic' => [[], []],
    'after no stop' => fn (): array => [['Crew'], ['after' => '00000000000000000000000000']],
    'after what is no id' => [['Crew'], ['after' => 'Deck']],
]);

it('does not put a stop after itself', function () {
    ($this->put)(['Deck', 'Crew']);
    ($this->put)(['Crew'], ['after' => ($this->id)('Crew')]);
})->throws(InvalidEdit::class, 'A stop cannot come after itself.');

it('keeps two stops that came to one place together, and has room behind both', function () {
    foreach (['Deck', 'Crew'] as $title) {
        $this->map->put(Stop::fromFields(($this->id)($title), ['rank' => 'a0']));
    }
    $first = ($this->order)()[0];
    ($this->put)(['Oil'], ['after' => ($this->id)($first)]);
    expect(($this->order)()[2])->toBe('Oil');
});

it('loses a stop with its topic, and has it again when that comes back', function () {
    ($this->put)(['Deck', 'Bench', 'Crew']);
    $changes = ($this->make)('topic.remove', ['topics' => [($this->id)('Deck')]]);
    expect(($this->order)())->toBe(['Crew']);
    $changes->reversed()->applyTo($this->map, new Recorder($this->map));
    expect(($this->order)())->toBe(['Deck', 'Bench', 'Crew']);
});

it('has no stop at what is private in anything that leaves the map', function () {
    ($this->put)(['Bench', 'Crew']);
    ($this->make)('row.set', ['type' => 'private', 'topics' => [($this->id)('Deck')], 'fields' => ['held' => true]]);
    $out = Outgoing::of($this->map);
    expect(array_map(fn (Stop $stop): string => $out->topic($stop->id)->title, Stops::of($out)))->toBe(['Crew']);
});

it('keeps one order of all stops through anything that is done', function (int $seed) {
    $chance = new Chance($seed);
    $map = RandomMaps::map($chance, $chance->int(5, 40));
    for ($i = 0; $i < 25; $i++) {
        $topics = array_map(strval(...), array_keys($map->everything()));
        $known = array_map(fn (Stop $stop): string => $stop->id, Stops::of($map));
        $some = array_values(array_unique([$chance->pick($topics), $chance->pick($topics), $chance->pick($topics)]));
        $rest = array_values(array_diff($known, $some));
        if ($chance->yes(25)) {
            Edits::apply(Edits::read('stop.remove', ['topics' => $some]), $map);
            expect(array_map(fn (Stop $stop): string => $stop->id, Stops::of($map)))->toBe($rest);

            continue;
        }
        $after = $chance->yes(40) ? false : ($chance->yes(30) || $rest === [] ? null : $chance->pick($rest));
        Edits::apply(Edits::read('stop.put', ['topics' => $some] + ($after === false ? [] : ['after' => $after])), $map);
        $at = $after === false ? count($rest) : ($after === null ? 0 : (int) array_search($after, $rest, true) + 1);
        expect(array_map(fn (Stop $stop): string => $stop->id, Stops::of($map)))->toBe([...array_slice($rest, 0, $at), ...$some, ...array_slice($rest, $at)]);
        foreach (Stops::of($map) as $stop) {
            expect(Rank::isRight($stop->rank()))->toBeTrue();
        }
    }
})->with(range(1, 30));
