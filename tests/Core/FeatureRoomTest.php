<?php

declare(strict_types=1);

use ChalkTree\Arrange\Arrangements;
use ChalkTree\Arrange\BranchArrangement;
use ChalkTree\Arrange\Layout;
use ChalkTree\Arrange\Slip;
use ChalkTree\Arrange\View;
use ChalkTree\Draw\SlipParts;
use ChalkTree\Draw\SvgWriter;
use ChalkTree\Edit\Changes;
use ChalkTree\Edit\Edits;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Edit\Recorder;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\Exchange\Clipping;
use ChalkTree\Exchange\JsonReader;
use ChalkTree\Exchange\JsonWriter;
use ChalkTree\Exchange\UnreadableFile;
use ChalkTree\Features;
use ChalkTree\Find\Finder;
use ChalkTree\Find\Query;
use ChalkTree\Map\Comparison;
use ChalkTree\Map\Ids;
use ChalkTree\Map\MissingTopic;
use ChalkTree\Map\NewMap;
use ChalkTree\Map\TopicMap;
use ChalkTree\Map\UnknownRowType;
use Tests\Support\Chance;
use Tests\Support\RandomMaps;
use Tests\Support\Ties\Tie;
use Tests\Support\Ties\TieFeature;

beforeEach(function () {
    Features::add(new TieFeature);
    $this->map = NewMap::from(new TopicDraft('Harbour', children: [
        new TopicDraft('Quay', children: [new TopicDraft('Crane'), new TopicDraft('Rope')]),
        new TopicDraft('Ferry'),
    ]));
    $this->ids = array_column(array_map(fn ($topic) => [$topic->title, $topic->id], array_values($this->map->all())), 1, 0);
    $this->make = fn (string $name, array $with): Changes => Edits::apply(Edits::read($name, $with), $this->map);
    $this->tie = Ids::next();
    $this->tied = fn (): Changes => ($this->make)('row.set', ['type' => 'tie', 'row' => $this->tie, 'fields' => ['from' => $this->ids['Crane'], 'to' => $this->ids['Rope'], 'word' => 'lifts']]);
});

function ties(TopicMap $map): array
{
    return array_values(array_map(fn ($row) => $map->topic($row->text('from'))->title.' '.$row->text('word').' '.$map->topic($row->text('to'))->title, array_filter($map->living(), fn ($row) => $row instanceof Tie)));
}

it('makes, changes and removes rows of a feature, and says so', function () {
    ($this->tied)();
    expect(ties($this->map))->toBe(['Crane lifts Rope']);
    ($this->make)('row.set', ['type' => 'tie', 'row' => $this->tie, 'fields' => ['word' => 'winds']]);
    expect(ties($this->map))->toBe(['Crane winds Rope']);
    $edit = Edits::read('row.remove', ['type' => 'tie', 'rows' => [$this->tie]]);
    Edits::apply($edit, $this->map);
    expect(ties($this->map))->toBe([])->and($edit->sentence($this->map))->toBe('Removed the tie of 2 topics');
});

it('keeps one row a topic, and none that says nothing', function () {
    $edit = Edits::read('row.set', ['type' => 'weight', 'topics' => [$this->ids['Crane'], $this->ids['Rope']], 'fields' => ['grams' => 7]]);
    Edits::apply($edit, $this->map);
    expect($this->map->row('weight', $this->ids['Rope'])?->fields())->toBe(['grams' => 7, 'guessed' => false, 'by' => null])
        ->and($edit->sentence($this->map))->toBe('Changed the weight of 2 topics');
    ($this->make)('row.set', ['type' => 'weight', 'topics' => [$this->ids['Rope']], 'fields' => ['grams' => null]]);
    expect($this->map->row('weight', $this->ids['Rope']))->toBeNull()->and($this->map->living())->toHaveCount(1);
});

it('refuses what does not fit', function (array $with, string $refusal) {
    $with = array_map(fn ($value) => is_array($value) ? array_map(fn ($one) => $this->ids[$one] ?? $one, $value) : $value, $with);
    expect(fn () => ($this->make)('row.set', $with))->toThrow($refusal);
    expect($this->map->living())->toBe([]);
})->with([
    'no such sort' => [['type' => 'thread', 'topics' => ['Quay'], 'fields' => ['grams' => 1]], UnknownRowType::class],
    'topics are not set like this' => [['type' => 'topic', 'topics' => ['Quay'], 'fields' => ['title' => 'x']], UnknownRowType::class],
    'nothing to set' => [['type' => 'weight', 'topics' => ['Quay'], 'fields' => []], InvalidEdit::class],
    'out of bounds' => [['type' => 'weight', 'topics' => ['Quay'], 'fields' => ['grams' => 1001]], InvalidEdit::class],
    'wrong form' => [['type' => 'weight', 'topics' => ['Quay'], 'fields' => ['grams' => 'heavy']], InvalidEdit::class],
    'no such field' => [['type' => 'weight', 'topics' => ['Quay'], 'fields' => ['ounces' => 1]], InvalidEdit::class],
    'no such topic' => [['type' => 'weight', 'topics' => ['01kb0000000000000000000000'], 'fields' => ['grams' => 1]], MissingTopic::class],
    'an end that is missing' => [['type' => 'tie', 'row' => '01kb0000000000000000000000', 'fields' => ['from' => 'Quay']], InvalidEdit::class],
    'an end that is not there' => [['type' => 'tie', 'row' => '01kb0000000000000000000001', 'fields' => ['from' => 'Quay', 'to' => '01kb0000000000000000000000']], MissingTopic::class],
    'a word too long' => [['type' => 'tie', 'row' => '01kb0000000000000000000001', 'fields' => ['from' => 'Quay', 'to' => 'Ferry', 'word' => str_repeat('x', 201)]], InvalidEdit::class],
]);

it('counts rows as gone with their topics, and as back with them', function () {
    ($this->tied)();
    $removed = ($this->make)('topic.remove', ['topics' => [$this->ids['Rope']]]);
    expect(ties($this->map))->toBe([])
        ->and(fn () => ($this->make)('row.remove', ['type' => 'tie', 'rows' => [$this->tie]]))->toThrow(InvalidEdit::class);
    $removed->reversed()->applyTo($this->map, new Recorder($this->map));
    expect(ties($this->map))->toBe(['Crane lifts Rope']);
});

it('undoes and redoes, and looks at the past', function () {
    $before = RandomMaps::contents($this->map);
    $tied = ($this->tied)();
    $after = RandomMaps::contents($this->map);
    $changed = ($this->make)('row.set', ['type' => 'tie', 'row' => $this->tie, 'fields' => ['word' => 'winds']]);
    $past = clone $this->map;
    $changed->reversed()->lookOn($past);
    expect(RandomMaps::contents($past))->toBe($after);
    $tied->reversed()->lookOn($past);
    expect(RandomMaps::contents($past))->toBe($before);
    $tied->lookOn($past);
    expect(RandomMaps::contents($past))->toBe($after);
    $changed->reversed()->applyTo($this->map, new Recorder($this->map));
    expect(RandomMaps::contents($this->map))->toBe($after);
    $tied->reversed()->applyTo($this->map, new Recorder($this->map));
    expect(RandomMaps::contents($this->map))->toBe($before);
    Changes::fromArray($tied->toArray())->applyTo($this->map, new Recorder($this->map));
    expect(RandomMaps::contents($this->map))->toBe($after);
});

it('copies rows between topics that are copied, in the map and by the clipboard', function () {
    ($this->tied)();
    ($this->make)('row.set', ['type' => 'weight', 'topics' => [$this->ids['Crane'], $this->ids['Quay']], 'fields' => ['grams' => 3]]);
    ($this->make)('topic.copy', ['topics' => [$this->ids['Quay']], 'parent' => $this->ids['Ferry']]);
    expect(ties($this->map))->toBe(['Crane lifts Rope', 'Crane lifts Rope'])->and($this->map->living())->toHaveCount(6);
    ($this->make)('topic.copy', ['topics' => [$this->ids['Crane']], 'parent' => $this->ids['Ferry']]);
    expect(ties($this->map))->toHaveCount(2)->and($this->map->living())->toHaveCount(7);

    $clip = Clipping::of($this->map, [$this->ids['Crane'], $this->ids['Rope']], false)->toArray();
    $other = NewMap::from(new TopicDraft('Elsewhere'));
    Edits::apply(Edits::read('topic.add-many', ['parent' => $other->root()->id, 'topics' => json_decode(json_encode($clip['topics']), true)]), $other);
    expect(ties($other))->toBe(['Crane lifts Rope'])->and($other->living())->toHaveCount(2);
});

it('writes rows to our own format and reads them again', function () {
    ($this->tied)();
    ($this->make)('row.set', ['type' => 'weight', 'topics' => [$this->ids['Ferry']], 'fields' => ['grams' => 3]]);
    $json = (new JsonWriter)->write($this->map);
    $read = (new JsonReader)->read($json, 'x');
    expect(ties($read))->toBe(['Crane lifts Rope'])->and((new JsonWriter)->write($read))->toBe($json);

    $broken = str_replace("\"from\": \"{$this->ids['Crane']}\"", '"from": "01kb0000000000000000000000"', $json);
    expect(fn () => (new JsonReader)->read($broken, 'x'))->toThrow(UnreadableFile::class, 'not in this file')
        ->and(fn () => (new JsonReader)->read(str_replace('"type": "weight"', '"type": "wait"', $json), 'x'))->toThrow(UnreadableFile::class);
});

it('takes a word that only another version knows for none', function () {
    $row = BranchArrangement::fromFields($this->ids['Quay'], ['name' => 'spiral']);
    $this->map->put($row);
    expect($row->saying())->toBe([])->and(Layout::of($this->map, new View)->slips())->toHaveCount(5);
});

it('finds and replaces in the texts of rows', function () {
    ($this->tied)();
    $query = fn () => Query::read(new ChalkTree\Edit\Arguments(['text' => 'lift', 'case' => false, 'word' => false, 'pattern' => false]));
    $hits = (new Finder($query()))->hits($this->map, null, 10);
    expect($hits)->toHaveCount(1)->and($hits[0]->field)->toBe('tie-word')->and($hits[0]->topic)->toBe($this->ids['Crane']);
    expect((new Finder($query(), ['title', 'note']))->hits($this->map, null, 10))->toBe([]);
    ($this->make)('text.replace', ['find' => ['text' => 'lift', 'case' => false, 'word' => false, 'pattern' => false], 'with' => 'hoist', 'only' => [$hits[0]->key]]);
    expect(ties($this->map))->toBe(['Crane hoists Rope']);
});

it('tells what is different between two states', function () {
    $then = clone $this->map;
    ($this->tied)();
    expect(array_column(Comparison::of($then, $this->map), 'title'))->toBe(['Crane', 'Rope'])
        ->and(array_column(Comparison::of($this->map, $then), 'what'))->toBe(['changed', 'changed'])
        ->and(Comparison::of($this->map, clone $this->map))->toBe([]);
});

it('draws marks, on the board and in files', function () {
    ($this->tied)();
    $scene = Layout::of($this->map, new View)->scene();
    expect(array_keys($scene->marks))->toBe(["tie {$this->tie}"])
        ->and((new SvgWriter)->write($scene, 'x'))->toContain('>lifts</tspan></text>');
    // Folded away, it ends at what is shown.
    $folded = Layout::of($this->map, View::folding([$this->ids['Quay']]))->scene();
    expect($folded->marks["tie {$this->tie}"]->toArray())->not->toBe($scene->marks["tie {$this->tie}"]->toArray());
});

it('keeps to the rules in random sequences of edits', function (int $seed) {
    $chance = new Chance($seed);
    $map = RandomMaps::map($chance, 25);
    $start = RandomMaps::contents($map);
    $done = [];
    for ($i = 0; $i < 60; $i++) {
        $topics = array_values(array_map(strval(...), array_keys($map->everything())));
        $body = match (true) {
            $chance->yes(25) => ['name' => 'row.set', 'type' => 'tie', 'row' => Ids::next(), 'fields' => ['from' => $chance->pick($topics), 'to' => $chance->pick($topics), 'word' => $chance->title()]],
            $chance->yes(25) => ['name' => 'row.set', 'type' => 'weight', 'topics' => [$chance->pick($topics)], 'fields' => ['grams' => $chance->pick([null, 1, 2])]],
            default => RandomMaps::edit($chance, $map),
        };
        try {
            $done[] = Edits::apply(RandomMaps::read($body), $map);
        } catch (ChalkTree\Refusal) {
            continue;
        }
        foreach ($map->living() as $row) {
            expect(array_filter($row->topics(), fn (string $id): bool => ! $map->has($id)))->toBe([]);
        }
    }
    expect($done)->not->toBe([]);
    foreach (array_reverse($done) as $changes) {
        $changes->reversed()->applyTo($map, new Recorder($map));
    }
    expect(RandomMaps::contents($map))->toBe($start);
})->with(range(1, 12));

/**
 * The boxes of what stands in a slip, as it is drawn.
 *
 * @return list<array{string, float, float, float, float}> what it is, and left, top, right and bottom
 */
function standing(Slip $slip): array
{
    $boxes = [];
    foreach ((new SlipParts)->of($slip) as $part) {
        $its = $part->toArray();
        if ($part->part === 'weight' && preg_match('/^M(\S+) (\S+)h(\S+)v(\S+)h/', (string) $its['d'], $m) === 1) {
            $boxes[] = ['weight', (float) $m[1], (float) $m[2], $m[1] + (float) $m[3], $m[2] + (float) $m[4]];
        } elseif ($part->part === 'title' || $part->part === 'caption') {
            $spans = $its['spans'];
            $last = $spans[count($spans) - 1];
            $boxes[] = [$part->part, $spans[0]['x'], $its['y'] - 0.72 * $its['size'], $last['x'] + $last['w'], $its['y'] + 0.2 * $its['size']];
        } elseif ($part->part === 'note-sign' && preg_match('/^M(\S+) (\S+)h11/', (string) $its['d'], $m) === 1) {
            $boxes[] = ['note', (float) $m[1], (float) $m[2], $m[1] + 11.0, $m[2] + 10.0];
        }
    }

    return $boxes;
}

it('makes room in the boxes of topics for what a feature puts there, over nothing else, in every arrangement and from memory too', function (int $seed) {
    $chance = new Chance(60 + $seed);
    $map = RandomMaps::map($chance, 40, notes: true);
    $layout = Layout::of($map, new View);
    $weighed = 0;
    for ($i = 0; $i < 12; $i++) {
        $topic = (string) $chance->pick(array_keys($map->all()));
        $changes = Edits::apply(Edits::read(...$chance->pick([
            ['row.set', ['type' => 'weight', 'topics' => [$topic], 'fields' => ['grams' => $chance->pick([null, 40, 700, 1000])]]],
            ['row.set', ['type' => 'weight', 'topics' => [$topic], 'fields' => ['grams' => $chance->int(1, 900)]]],
            ['row.set', ['type' => 'look', 'topics' => [$topic], 'fields' => ['width' => $chance->int(60, 400)]]],
            ['topic.caption', ['topics' => [$topic], 'caption' => $chance->pick(['', 'from the quay', 'a caption of many words that has to be wrapped more than once in its box'])]],
            ['row.set', ['type' => 'arrangement', 'topics' => [$topic], 'fields' => ['name' => $chance->pick(Arrangements::names())]]],
        ])), $map);
        $layout->draw($map, new View, $changes->topics($map));
    }
    $slips = $layout->slips();
    expect(array_map(fn (Slip $slip): array => [$slip->x, $slip->y, $slip->w, $slip->h], $slips))->toEqual(array_map(fn (Slip $slip): array => [$slip->x, $slip->y, $slip->w, $slip->h], Layout::of($map, new View)->slips()));
    foreach ($slips as $id => $slip) {
        $boxes = standing($slip);
        $grams = $map->row('weight', (string) $id)?->number('grams');
        expect(count(array_filter($boxes, fn (array $box): bool => $box[0] === 'weight')))->toBe($grams === null ? 0 : 1);
        $weighed += $grams === null ? 0 : 1;
        foreach ($boxes as $n => [$what, $left, $top, $right, $bottom]) {
            expect(min($left, $top, $slip->w - $right, $slip->h - $bottom))->toBeGreaterThanOrEqual(-0.6, "{$what} of {$slip->topic->title}");
            foreach (array_slice($boxes, $n + 1) as [$other, $l, $t, $r, $b]) {
                expect($left < $r - 0.1 && $l < $right - 0.1 && $top < $b - 0.1 && $t < $bottom - 0.1)->toBeFalse("{$what} over {$other}");
            }
        }
    }
    $svg = (new SvgWriter)->write($layout->scene(), 'Weighed');
    expect($weighed)->toBeGreaterThan(0)->and(preg_match_all('/M\S+ \S+h[\d.]+v[\d.]+h-[\d.]+Z/', $svg))->toBeGreaterThanOrEqual($weighed);
})->with(range(1, 25));
