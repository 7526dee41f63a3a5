<?php

declare(strict_types=1);

use ChalkTree\Arrange\Arrangements;
use ChalkTree\Arrange\BranchArrangement;
use ChalkTree\Arrange\BranchPhrases;
use ChalkTree\Arrange\Connector;
use ChalkTree\Arrange\ConnectorPhrase;
use ChalkTree\Arrange\Layout;
use ChalkTree\Arrange\Place;
use ChalkTree\Arrange\View;
use ChalkTree\CrossLink\CrossLink;
use ChalkTree\CrossLink\Score;
use ChalkTree\CrossLink\Sentence;
use ChalkTree\CrossLink\Sentences;
use ChalkTree\Draw\SvgWriter;
use ChalkTree\Edit\Edits;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\Exchange\Formats;
use ChalkTree\Map\Ids;
use ChalkTree\Map\NewMap;
use Tests\Support\Chance;

beforeEach(function () {
    $this->map = NewMap::from(new TopicDraft('boats', children: [
        new TopicDraft('hull', children: [new TopicDraft('air'), new TopicDraft('steel')]),
        new TopicDraft('cargo', children: [new TopicDraft('weight')]),
    ]));
    $this->ids = array_column(array_map(fn ($topic): array => [$topic->title, $topic->id], array_values($this->map->all())), 1, 0);
    $this->say = fn (string $title, string $phrase, ?string $judged = null) => $this->map->put(ConnectorPhrase::fromFields($this->ids[$title], ['phrase' => $phrase, 'judged' => $judged]));
    $this->are = fn (string $title, ?string $are) => $this->map->put(BranchPhrases::fromFields($this->ids[$title], ['are' => $are]));
    $this->texts = fn (): array => array_map(fn (Sentence $one): string => $one->text(), Sentences::of($this->map)->all);
});

it('stands on the connector, between parent and child, in every arrangement that has room there', function (string $arrangement) {
    ($this->say)('hull', 'float on a');
    ($this->say)('air', 'is full of');
    $scene = Layout::of($this->map, new View, $arrangement)->scene();
    $boxes = $scene->boxes();
    foreach (['hull' => 'boats', 'air' => 'hull'] as $child => $parent) {
        [$slip, $box, $above] = [$scene->slips[$this->ids[$child]], $boxes[$this->ids[$child]], $boxes[$this->ids[$parent]]];
        if ($slip->words === null) {
            // It has none of its own or no room, and so it stands in the box, where it is drawn.
            expect($slip->phrase)->toBe('')->and((new SvgWriter)->write($scene, 'x'))->toContain($child === 'hull' ? 'float on a' : 'is full of');

            continue;
        }
        [$x, $y, $w, $h] = $slip->words;
        [$mx, $my] = [$box['x'] + $x + $w / 2, $box['y'] + $y + $h / 2];
        $between = fn (float $at, string $axis, string $size): bool => $at > min($box[$axis], $above[$axis]) && $at < max($box[$axis] + $box[$size], $above[$axis] + $above[$size]);
        expect($between($mx, 'x', 'w'))->toBeTrue()->and($between($my, 'y', 'h'))->toBeTrue()
            // Its line is not drawn there, unless it stands beside it.
            ->and($slip->gap !== null || $arrangement === 'free')->toBeTrue()
            ->and($slip->gap === null ? 2 : substr_count(Connector::path($slip), 'M'))->toBeGreaterThan(substr_count(Connector::path(tap(clone $slip, fn ($bare) => $bare->gap = null)), 'M'));
    }
})->with(Arrangements::names());

it('makes room for a long phrase and lets the rest of the map go on from there', function () {
    $before = Layout::of($this->map, new View, 'top-down')->scene()->boxes();
    ($this->say)('hull', 'float on the water by means of a broad and hollow');
    $after = Layout::of($this->map, new View, 'top-down')->scene()->boxes();
    $down = $after[$this->ids['hull']]['y'] - $before[$this->ids['hull']]['y'];
    expect($down)->toBeGreaterThan(40.0)->and($after[$this->ids['air']]['y'] - $before[$this->ids['air']]['y'])->toBe($down)->and($after[$this->ids['cargo']]['y'])->toBe($before[$this->ids['cargo']]['y']);
});

it('shows no phrase where a branch hides them, and shows them again below', function () {
    ($this->say)('hull', 'float on a');
    ($this->say)('air', 'is full of');
    ($this->are)('boats', 'hidden');
    $words = fn (): array => array_map(fn ($slip): string => $slip->phrase, array_intersect_key(Layout::of($this->map, new View)->scene()->slips, array_flip([$this->ids['hull'], $this->ids['air']])));
    expect(array_values($words()))->toBe(['', ''])->and(($this->texts)())->toBe([]);
    ($this->are)('hull', 'asked');
    expect(array_values($words()))->toBe(['', 'is full of'])->and(($this->texts)())->toBe(['Hull is full of air.', 'Hull … steel.']);
});

it('stands on free paper where it covers no topic, no other phrase and no other connector', function (int $seed) {
    $chance = new Chance($seed);
    $this->map->put(BranchArrangement::fromFields($this->map->root()->id, ['name' => 'free']));
    $children = array_map(fn (int $n): TopicDraft => new TopicDraft("Topic {$n}"), range(1, 9));
    $map = NewMap::from(new TopicDraft('Middle', children: $children), arrangement: 'free');
    $n = 0;
    foreach ($map->children($map->root()->id) as $id => $topic) {
        $angle = 2 * M_PI * $n++ / 9;
        $map->put(Place::fromFields((string) $id, ['x' => (int) (cos($angle) * $chance->int(260, 420)), 'y' => (int) (sin($angle) * $chance->int(180, 300))]));
        $map->put(ConnectorPhrase::fromFields((string) $id, ['phrase' => $chance->pick(['is a', 'carries the', 'is lighter than the same room of', 'pushes', 'is pushed aside by what lies below the water line of'])]));
    }
    $scene = Layout::of($map, new View)->scene();
    $boxes = array_values($scene->boxes());
    foreach ($scene->boxes() as $id => $box) {
        $words = $scene->slips[$id]->words;
        if ($words !== null) {
            $boxes[] = ['id' => "{$id} phrase", 'x' => $box['x'] + $words[0], 'y' => $box['y'] + $words[1], 'w' => $words[2], 'h' => $words[3]];
        }
    }
    expect(count($boxes))->toBe(19)->and(overlaps($boxes))->toBe([]);
})->with(range(1, 12));

it('reads connectors with phrases out among the cross-links, and says where one is missing', function () {
    ($this->say)('hull', 'have a');
    ($this->say)('weight', 'adds to the');
    $this->map->put(CrossLink::fromFields(Ids::next(), ['from' => $this->ids['weight'], 'to' => $this->ids['hull'], 'phrase' => 'presses on the']));
    expect(($this->texts)())->toBe(['Boats have a hull.', 'Cargo adds to the weight.', 'Weight presses on the hull.']);
    ($this->are)('hull', 'asked');
    $all = Sentences::of($this->map)->all;
    expect(array_map(fn (Sentence $one): array => [$one->proposition->type, $one->isMissingPhrase()], $all))
        ->toBe([['phrase', false], ['phrase', true], ['phrase', true], ['phrase', false], ['crosslink', false]]);
});

it('scores the hierarchy of the tree where its connectors carry phrases', function () {
    foreach (['hull' => 'have a', 'cargo' => 'carry', 'air' => 'holds', 'steel' => 'is of', 'weight' => 'adds'] as $title => $phrase) {
        ($this->say)($title, $phrase);
    }
    expect(Score::of($this->map)->toArray())->toBe(['propositions' => 5, 'valid' => 5, 'levels' => 2, 'crossLinks' => 0, 'examples' => 0, 'score' => 15]);
    $link = CrossLink::fromFields(Ids::next(), ['from' => $this->ids['boats'], 'to' => $this->ids['weight'], 'phrase' => 'fear']);
    $this->map->put($link);
    // From the top it crosses nothing, and it makes no way shorter.
    expect(Score::of($this->map)->toArray())->toBe(['propositions' => 6, 'valid' => 6, 'levels' => 2, 'crossLinks' => 0, 'examples' => 0, 'score' => 16]);
    $this->map->put($link->with(['from' => $this->ids['air']]));
    expect(Score::of($this->map)->crossLinks)->toBe(1);
    ($this->say)('air', 'holds', 'wrong');
    expect(Score::of($this->map)->valid)->toBe(5);
});

it('writes phrases into formats of lines and takes them from there', function (string $format) {
    ($this->say)('hull', 'have a');
    ($this->say)('air', "is\nfull: of");
    $text = Formats::write($this->map, $format);
    $back = Formats::read($text, 'boats', $format);
    $said = array_map(fn (ConnectorPhrase $row): string => $back->topic($row->id)->title.': '.$row->text('phrase'), $back->rowsOf(ConnectorPhrase::class));
    sort($said);
    expect($text)->toContain('↳ have a')->and($said)->toBe(['air: is full: of', 'hull: have a'])->and(count($back->all()))->toBe(6);
})->with(['opml', 'md', 'txt']);

it('keeps the phrase of a topic that is moved, copied or brought back', function () {
    ($this->say)('air', 'is full of');
    Edits::apply(Edits::read('topic.move', ['topics' => [$this->ids['air']], 'parent' => $this->ids['cargo']]), $this->map);
    Edits::apply(Edits::read('topic.copy', ['topics' => [$this->ids['air']], 'parent' => $this->ids['hull']]), $this->map);
    expect(($this->texts)())->toBe(['Hull is full of air.', 'Cargo is full of air.']);
    Edits::apply(Edits::read('topic.remove', ['topics' => [$this->ids['air']]]), $this->map);
    expect(($this->texts)())->toBe(['Hull is full of air.']);
});
