<?php

declare(strict_types=1);

use ChalkTree\Arrange\Layout;
use ChalkTree\Arrange\View;
use ChalkTree\CrossLink\CrossLink;
use ChalkTree\Edit\Changes;
use ChalkTree\Edit\Edits;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Edit\Recorder;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\Map\Ids;
use ChalkTree\Map\NewMap;
use Tests\Support\RandomMaps;

beforeEach(function () {
    $this->map = NewMap::from(new TopicDraft('Light a lantern', children: array_map(fn (string $title): TopicDraft => new TopicDraft($title), ['Fetch', 'Dry?', 'Light', 'Hang', 'Dry it', 'Spare'])), arrangement: 'flow');
    $this->id = fn (string $title): string => (string) array_search($title, array_map(fn ($topic): string => $topic->title, $this->map->everything()), true);
    $this->make = fn (string $name, array $with): Changes => Edits::apply(Edits::read($name, $with), $this->map);
    $this->tie = fn (string $from, string $to, string $phrase = '') => $this->map->put(CrossLink::fromFields(Ids::next(), ['from' => ($this->id)($from), 'to' => ($this->id)($to), 'phrase' => $phrase]));
    $this->ways = function (): array {
        $ways = array_map(fn (CrossLink $link): string => $this->map->topic($link->from())->title.($link->text('phrase') === '' ? ' > ' : " {$link->text('phrase')}> ").$this->map->topic($link->to())->title, array_values($this->map->rowsOf(CrossLink::class)));
        sort($ways);

        return $ways;
    };
    $this->link = fn (string $from, string $to): string => (string) array_key_first(array_filter($this->map->rowsOf(CrossLink::class), fn (CrossLink $link): bool => $link->from() === ($this->id)($from) && $link->to() === ($this->id)($to)));
    ($this->tie)('Fetch', 'Dry?');
    ($this->tie)('Dry?', 'Light', 'yes');
    ($this->tie)('Dry?', 'Dry it', 'no');
    ($this->tie)('Light', 'Hang');
    ($this->tie)('Dry it', 'Dry?');
});

it('draws the ways between steps as their chart has them, and tells what follows when one is drawn', function () {
    $layout = Layout::of($this->map, new View);
    $scene = $layout->scene();
    $root = $scene->slips[$this->map->root()->id];
    expect($root->ways)->toHaveCount(5)
        ->and($scene->slips[($this->id)('Fetch')]->route)->not->toBe([])
        ->and($scene->slips[($this->id)('Light')]->route)->toBe([])
        ->and($scene->slips[($this->id)('Dry?')]->y)->toBeLessThan($scene->slips[($this->id)('Light')]->y);
    $yes = $scene->marks['crosslink '.($this->link)('Dry?', 'Light')];
    $parts = array_map(fn ($part): string => $part->toArray()['part'], $yes->parts);
    expect($parts)->toContain('line', 'head', 'ground', 'phrase')->not->toContain('leader');
    // A new way moves only what it has to, and the same as laying out anew.
    $changes = ($this->make)('crosslink.tie', ['topics' => [($this->id)('Hang')], 'to' => ($this->id)('Spare'), 'as' => [Ids::next()]]);
    $layout->draw($this->map, new View, $changes->topics($this->map));
    $anew = Layout::of($this->map, new View)->scene();
    expect($layout->scene()->boxes())->toEqual($anew->boxes())->and(array_map(fn ($mark): array => $mark->toArray(), $layout->scene()->marks))->toEqual(array_map(fn ($mark): array => $mark->toArray(), $anew->marks));
});

it('lets a bend made by hand overrule the chart', function () {
    $id = ($this->link)('Light', 'Hang');
    $before = Layout::of($this->map, new View)->scene()->marks["crosslink {$id}"]->toArray();
    ($this->make)('row.set', ['type' => 'crosslink', 'row' => $id, 'fields' => ['bendAt' => 500, 'bendBy' => 120]]);
    expect(Layout::of($this->map, new View)->scene()->marks["crosslink {$id}"]->toArray())->not->toEqual($before);
});

it('rounds what begins and what ends, and boxes the rest, until something else is said', function () {
    $shapes = function (): array {
        $shapes = [];
        foreach (Layout::of($this->map, new View)->slips() as $slip) {
            $shapes[$slip->topic->title] = $slip->look->box->shape()::name();
        }

        return $shapes;
    };
    expect($shapes())->toMatchArray(['Fetch' => 'capsule', 'Dry?' => 'rectangle', 'Light' => 'rectangle', 'Hang' => 'capsule', 'Spare' => 'rectangle']);
    ($this->make)('row.set', ['type' => 'look', 'topics' => [($this->id)('Dry?')], 'fields' => ['shape' => 'rhombus']]);
    ($this->make)('crosslink.tie', ['topics' => [($this->id)('Hang')], 'to' => ($this->id)('Spare'), 'as' => [Ids::next()]]);
    expect($shapes())->toMatchArray(['Dry?' => 'rhombus', 'Hang' => 'rectangle', 'Spare' => 'capsule']);
});

it('takes a step out of its ways, which close', function (string $step, array $ways) {
    $before = RandomMaps::contents($this->map);
    $changes = ($this->make)('flow.lift', ['topics' => [($this->id)($step)]]);
    expect(($this->ways)())->toBe($ways);
    $changes->reversed()->applyTo($this->map, new Recorder($this->map));
    expect(RandomMaps::contents($this->map))->toBe($before);
})->with([
    'one in the middle' => ['Light', ['Dry it > Dry?', 'Dry? no> Dry it', 'Dry? yes> Hang', 'Fetch > Dry?']],
    'the first' => ['Fetch', ['Dry it > Dry?', 'Dry? no> Dry it', 'Dry? yes> Light', 'Light > Hang']],
    'one that leads back' => ['Dry it', ['Dry? yes> Light', 'Fetch > Dry?', 'Light > Hang']],
    'a decision with several ways in' => ['Dry?', ['Light > Hang']],
    'one that is in none' => ['Spare', ['Dry it > Dry?', 'Dry? no> Dry it', 'Dry? yes> Light', 'Fetch > Dry?', 'Light > Hang']],
]);

it('lets all ways of a decision begin where the one way led to it from', function () {
    ($this->make)('row.remove', ['type' => 'crosslink', 'rows' => [($this->link)('Dry it', 'Dry?')]]);
    ($this->make)('flow.lift', ['topics' => [($this->id)('Dry?')]]);
    expect(($this->ways)())->toBe(['Fetch no> Dry it', 'Fetch yes> Light', 'Light > Hang']);
});

it('puts a step on a way, from elsewhere in the process or from anywhere', function () {
    ($this->make)('flow.put', ['topic' => ($this->id)('Light'), 'link' => ($this->link)('Fetch', 'Dry?'), 'as' => Ids::next()]);
    expect(($this->ways)())->toBe(['Dry it > Dry?', 'Dry? no> Dry it', 'Dry? yes> Hang', 'Fetch > Light', 'Light > Dry?']);
    ($this->make)('topic.move', ['topics' => [($this->id)('Spare')], 'parent' => ($this->id)('Hang')]);
    ($this->make)('flow.put', ['topic' => ($this->id)('Spare'), 'link' => ($this->link)('Dry?', 'Hang'), 'as' => Ids::next()]);
    expect(($this->ways)())->toContain('Dry? yes> Spare', 'Spare > Hang')
        ->and($this->map->topic(($this->id)('Spare'))->parent)->toBe($this->map->root()->id);
});

it('lets a step change places with the one before it or after it', function () {
    ($this->make)('flow.shift', ['topic' => ($this->id)('Light'), 'by' => 1, 'as' => Ids::next()]);
    expect(($this->ways)())->toContain('Dry? yes> Hang', 'Hang > Light');
    ($this->make)('flow.shift', ['topic' => ($this->id)('Light'), 'by' => -1, 'as' => Ids::next()]);
    expect(($this->ways)())->toContain('Dry? yes> Light', 'Light > Hang');
    // Past a decision: all that led there leads to the step now.
    ($this->make)('flow.shift', ['topic' => ($this->id)('Light'), 'by' => -1, 'as' => Ids::next()]);
    expect(($this->ways)())->toBe(['Dry it > Light', 'Dry? no> Dry it', 'Dry? yes> Hang', 'Fetch > Light', 'Light > Dry?']);
});

it('refuses what has no place to go to, and says so', function (string $name, Closure $with, string $sentence) {
    expect(fn () => ($this->make)($name, $with->call($this)))->toThrow(InvalidEdit::class, $sentence);
})->with([
    'the first step earlier' => ['flow.shift', fn () => ['topic' => ($this->id)('Fetch'), 'by' => -1, 'as' => Ids::next()], 'There is no step on that side.'],
    'a decision' => ['flow.shift', fn () => ['topic' => ($this->id)('Dry?'), 'by' => 1, 'as' => Ids::next()], 'Where several ways meet'],
    'past a decision' => ['flow.shift', fn () => ['topic' => ($this->id)('Fetch'), 'by' => 1, 'as' => Ids::next()], 'Where several ways lead on'],
    'what is no step' => ['flow.shift', fn () => ['topic' => $this->map->root()->id, 'by' => 1, 'as' => Ids::next()], 'This topic is no step of a process.'],
    'nowhere' => ['flow.shift', fn () => ['topic' => ($this->id)('Fetch'), 'by' => 0, 'as' => Ids::next()], 'A step goes earlier'],
    'a step on its own way' => ['flow.put', fn () => ['topic' => ($this->id)('Light'), 'link' => ($this->link)('Light', 'Hang'), 'as' => Ids::next()], 'at this way already'],
    'the head on a way below it' => ['flow.put', fn () => ['topic' => $this->map->root()->id, 'link' => ($this->link)('Light', 'Hang'), 'as' => Ids::next()], 'stays where it is'],
    'an id that is taken' => ['flow.put', fn () => ['topic' => ($this->id)('Spare'), 'link' => ($this->link)('Light', 'Hang'), 'as' => ($this->link)('Fetch', 'Dry?')], 'with this id already'],
    'a cross-link that is no way' => ['flow.put', function () {
        ($this->make)('topic.move', ['topics' => [($this->id)('Spare')], 'parent' => ($this->id)('Hang')]);
        ($this->tie)('Spare', 'Fetch');

        return ['topic' => ($this->id)('Dry it'), 'link' => ($this->link)('Spare', 'Fetch'), 'as' => Ids::next()];
    }, 'no way between two steps'],
]);
