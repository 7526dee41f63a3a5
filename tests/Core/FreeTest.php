<?php

declare(strict_types=1);

use ChalkTree\Arrange\Ground;
use ChalkTree\Arrange\Layout;
use ChalkTree\Arrange\Place;
use ChalkTree\Arrange\View;
use ChalkTree\Edit\Changes;
use ChalkTree\Edit\Edits;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Edit\Recorder;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\Exchange\JsonReader;
use ChalkTree\Exchange\JsonWriter;
use ChalkTree\Map\Ids;
use ChalkTree\Map\NewMap;
use Tests\Support\Chance;
use Tests\Support\RandomMaps;

beforeEach(function () {
    $this->map = NewMap::from(new TopicDraft('Why boats float', children: [
        new TopicDraft('Water', children: [new TopicDraft('Pushes up'), new TopicDraft('Is pushed aside')]),
        new TopicDraft('Hull'), new TopicDraft('Cargo', children: [new TopicDraft('Pulls down')]),
    ]));
    $this->id = fn (string $title): string => (string) array_search($title, array_map(fn ($topic): string => $topic->title, $this->map->everything()), true);
    $this->make = fn (string $name, array $with): Changes => Edits::apply(Edits::read($name, $with), $this->map);
    /** The middles of all topics by title, from the root's. */
    $this->middles = function (): array {
        $middles = [];
        foreach (Layout::of($this->map, new View)->scene()->boxes() as $id => $box) {
            $middles[$this->map->topic($id)->title] = [round($box['x'] + $box['w'] / 2), round($box['y'] + $box['h'] / 2)];
        }

        return $middles;
    };
});

it('lets everything stand where it stood when a map or a branch is let free', function (string $name, array $with) {
    $before = ($this->middles)();
    $json = (new JsonWriter)->write($this->map);
    $with = array_map(fn (mixed $value): mixed => $value === ['Water'] ? [($this->id)('Water')] : $value, $with);
    $changes = ($this->make)($name, $with);
    foreach (($this->middles)() as $title => [$x, $y]) {
        expect(abs($x - $before[$title][0]))->toBeLessThanOrEqual(1.0, $title)->and(abs($y - $before[$title][1]))->toBeLessThanOrEqual(1.0, $title);
    }
    expect(count($this->map->rowsOf(Place::class)))->toBe($name === 'map.arrange' ? 6 : 2);
    $changes->reversed()->applyTo($this->map, new Recorder($this->map));
    expect((new JsonWriter)->write($this->map))->toBe($json);
})->with([['map.arrange', ['arrangement' => 'free']], ['row.set', ['type' => 'arrangement', 'topics' => ['Water'], 'fields' => ['name' => 'free']]]]);

it('gives a new topic a free place near by and moves no other, whatever comes and goes', function () {
    ($this->make)('map.arrange', ['arrangement' => 'free']);
    $chance = new Chance(4);
    $known = ($this->middles)();
    for ($i = 0; $i < 40; $i++) {
        $parent = ($this->id)($chance->pick(['Why boats float', 'Water', 'Cargo']));
        ($this->make)('topic.add', ['parent' => $parent, 'topic' => ['title' => "New {$i}"]]);
        $boxes = Layout::of($this->map, new View)->scene()->boxes();
        $new = $boxes[($this->id)("New {$i}")];
        foreach (array_diff_key($boxes, [$new['id'] => true]) as $o) {
            expect($new['x'] < $o['x'] + $o['w'] && $o['x'] < $new['x'] + $new['w'] && $new['y'] < $o['y'] + $o['h'] && $o['y'] < $new['y'] + $new['h'])->toBeFalse();
        }
        if ($chance->yes(30)) {
            ($this->make)('topic.remove', ['topics' => [($this->id)("New {$i}")]]);
        }
        $now = ($this->middles)();
        expect(array_intersect_key($now, $known))->toBe(array_intersect_key($known, $now));
        $known = $now;
    }
});

it('finds room on a free paper inside a map, and again for what is let go of', function () {
    ($this->make)('row.set', ['type' => 'arrangement', 'topics' => [($this->id)('Water')], 'fields' => ['name' => 'free']]);
    $overlaps = function (string $title): bool {
        $boxes = Layout::of($this->map, new View)->scene()->boxes();
        $own = $boxes[($this->id)($title)];

        return array_filter(array_diff_key($boxes, [$own['id'] => true]), fn (array $o): bool => $own['x'] < $o['x'] + $o['w'] && $o['x'] < $own['x'] + $own['w'] && $own['y'] < $o['y'] + $o['h'] && $o['y'] < $own['y'] + $own['h']) !== [];
    };
    foreach (range(1, 12) as $n) {
        ($this->make)('topic.add', ['parent' => ($this->id)($n % 2 === 0 ? 'Water' : 'Pushes up'), 'topic' => ['title' => "New {$n}", 'children' => $n % 3 === 0 ? [['title' => "Below {$n}"]] : []]]);
        expect($overlaps("New {$n}"))->toBeFalse();
        // What came with it stands clear too.
        $n % 3 === 0 ? expect($overlaps("Below {$n}"))->toBeFalse() : null;
    }
    ($this->make)('row.set', ['type' => 'place', 'topics' => [($this->id)('New 4')], 'fields' => $this->map->rowsOf(Place::class)[($this->id)('New 2')]->fields()]);
    expect($overlaps('New 4'))->toBeTrue();
    ($this->make)('row.remove', ['type' => 'place', 'rows' => [($this->id)('New 4')]]);
    expect($overlaps('New 4'))->toBeFalse()->and($this->map->rowsOf(Place::class))->toHaveKey(($this->id)('New 4'));
});

it('finds room for branches that come with all that is below them', function () {
    ($this->make)('map.arrange', ['arrangement' => 'free']);
    foreach (range(1, 8) as $n) {
        ($this->make)('topic.add', ['parent' => ($this->id)($n % 2 === 0 ? 'Pushes up' : 'Water'), 'topic' => ['title' => "Branch {$n}", 'children' => array_map(fn (int $c): array => ['title' => "Twig {$c}", 'children' => [['title' => "Leaf {$c}"]]], [1, 2, 3])]]);
        $boxes = array_values(Layout::of($this->map, new View)->scene()->boxes());
        foreach ($boxes as $i => $a) {
            foreach (array_slice($boxes, $i + 1) as $b) {
                expect($a['x'] < $b['x'] + $b['w'] && $b['x'] < $a['x'] + $a['w'] && $a['y'] < $b['y'] + $b['h'] && $b['y'] < $a['y'] + $a['h'])->toBeFalse("with branch {$n}");
            }
        }
        // The branch goes as a whole: what is below stands near its head.
        $twigs = fn (int $n): array => array_map(fn (string $id): ?array => $this->map->rowsOf(Place::class)[$id]->at(), array_map(strval(...), array_keys($this->map->children(($this->id)("Branch {$n}")))));
        foreach ($twigs($n) as $at) {
            expect(hypot(...$at ?? [INF, INF]))->toBeLessThan(260.0, "with branch {$n}");
        }
    }
});

it('finds room for many at once', function () {
    ($this->make)('map.arrange', ['arrangement' => 'free']);
    ($this->make)('topic.add-many', ['parent' => ($this->id)('Pushes up'), 'topics' => array_map(fn (int $n): array => ['title' => "Many {$n}"], range(1, 150))]);
    $boxes = array_values(Layout::of($this->map, new View)->scene()->boxes());
    foreach ($boxes as $i => $a) {
        foreach (array_slice($boxes, $i + 1) as $b) {
            expect($a['x'] < $b['x'] + $b['w'] && $b['x'] < $a['x'] + $a['w'] && $a['y'] < $b['y'] + $b['h'] && $b['y'] < $a['y'] + $a['h'])->toBeFalse();
        }
    }
});

it('keeps places in its own format, and leaves them behind when a topic is hung elsewhere', function () {
    ($this->make)('map.arrange', ['arrangement' => 'free']);
    ($this->make)('row.set', ['type' => 'place', 'topics' => [($this->id)('Hull')], 'fields' => ['x' => -300, 'y' => 120]]);
    expect(($this->middles)()['Hull'])->toBe([-300.0, 120.0]);
    $json = (new JsonWriter)->write($this->map);
    expect((new JsonWriter)->write((new JsonReader)->read($json, '')))->toBe($json);
    ($this->make)('topic.move', ['topics' => [($this->id)('Hull')], 'parent' => ($this->id)('Cargo')]);
    expect($this->map->rowsOf(Place::class)[($this->id)('Hull')]->at())->not->toBe([-300, 120]);
});

it('brings topics to one line and spreads them evenly, with what hangs on them', function () {
    ($this->make)('map.arrange', ['arrangement' => 'free']);
    foreach (['Water' => [-400, -90], 'Hull' => [50, 200], 'Cargo' => [380, 10]] as $title => [$x, $y]) {
        ($this->make)('row.set', ['type' => 'place', 'topics' => [($this->id)($title)], 'fields' => ['x' => $x, 'y' => $y]]);
    }
    $ids = array_map($this->id, ['Water', 'Hull', 'Cargo', 'Pulls down']);
    $boxes = fn (): array => array_map(fn (string $id): array => Layout::of($this->map, new View)->scene()->boxes()[$id], array_combine(['Water', 'Hull', 'Cargo', 'Pulls down'], $ids));
    $before = $boxes();
    ($this->make)('topic.align', ['topics' => $ids, 'way' => 'top']);
    $after = $boxes();
    expect(array_unique(array_map(fn (array $box): float => $box['y'], array_slice($after, 0, 3))))->toHaveCount(1)
        ->and($after['Water']['y'])->toBe($before['Water']['y'])
        ->and($after['Pulls down']['y'] - $after['Cargo']['y'])->toBe($before['Pulls down']['y'] - $before['Cargo']['y']);
    ($this->make)('topic.align', ['topics' => $ids, 'way' => 'right']);
    expect(array_unique(array_map(fn (array $box): float => $box['x'] + $box['w'], array_slice($boxes(), 0, 3))))->toHaveCount(1);
    foreach (['Water' => -400, 'Hull' => 50, 'Cargo' => 380] as $title => $x) {
        ($this->make)('row.set', ['type' => 'place', 'topics' => [($this->id)($title)], 'fields' => ['x' => $x, 'y' => 0]]);
    }
    ($this->make)('topic.align', ['topics' => $ids, 'way' => 'across']);
    $spread = $boxes();
    expect(abs(($spread['Hull']['x'] - $spread['Water']['x'] - $spread['Water']['w']) - ($spread['Cargo']['x'] - $spread['Hull']['x'] - $spread['Hull']['w'])))->toBeLessThanOrEqual(1.5);
    $edit = Edits::read('topic.align', ['topics' => $ids, 'way' => 'down']);
    Edits::apply($edit, $this->map);
    expect($edit->sentence($this->map))->toBe('Spread 3 topics evenly');
});

it('brings only to one line what stands free', function (array $titles) {
    expect(fn () => ($this->make)('topic.align', ['topics' => array_map($this->id, $titles), 'way' => 'left']))->toThrow(InvalidEdit::class, 'Only topics that stand free');
})->with([[['Water', 'Hull']], [['Water']], [['Why boats float', 'Water']]]);

it('stays as it is under random edits but for what they touch', function (int $seed) {
    $chance = new Chance(300 + $seed);
    $map = RandomMaps::map($chance, 40, loose: false);
    Edits::apply(Edits::read('map.arrange', ['arrangement' => 'free']), $map);
    for ($i = 0; $i < 40; $i++) {
        $before = array_map(fn (Place $place): ?array => $place->at(), $map->rowsOf(Place::class));
        $id = (string) $chance->pick(array_keys($map->all()));
        try {
            Edits::apply(RandomMaps::read($chance->pick([
                ['name' => 'topic.add', 'parent' => $id, 'topic' => ['id' => Ids::next(), 'title' => $chance->title()]],
                ['name' => 'topic.remove', 'topics' => [$id]],
                ['name' => 'topic.retitle', 'topic' => $id, 'title' => $chance->title()],
                ['name' => 'topic.caption', 'topics' => [$id], 'caption' => 'x'],
            ])), $map);
        } catch (ChalkTree\Refusal) {
            continue;
        }
        $now = array_map(fn (Place $place): ?array => $place->at(), $map->rowsOf(Place::class));
        expect(array_intersect_key($now, $before))->toBe(array_intersect_key($before, $now));
        foreach ($map->all() as $topic) {
            expect($topic->parent === null || isset($now[$topic->id]))->toBeTrue();
        }
    }
})->with(range(1, 6));

it('leads connectors around what stands between, where there is a way', function (int $seed) {
    $chance = new Chance($seed);
    $map = NewMap::from(new TopicDraft('Root', children: array_map(fn (int $n): TopicDraft => new TopicDraft("Thought {$n}"), range(1, 14))), [], 'free');
    $taken = [[-120, -60, 120, 60]];
    foreach (array_keys($map->children($map->root()->id)) as $id) {
        do {
            [$x, $y] = [$chance->int(-700, 700), $chance->int(-400, 400)];
        } while (array_filter($taken, fn (array $box): bool => $x - 80 < $box[2] && $x + 80 > $box[0] && $y - 35 < $box[3] && $y + 35 > $box[1]) !== []);
        $taken[] = [$x - 80, $y - 35, $x + 80, $y + 35];
        $map->put(Place::fromFields((string) $id, ['x' => $x, 'y' => $y]));
    }
    $scene = Layout::of($map, new View)->scene();
    $boxes = $scene->boxes();
    $wound = 0;
    foreach ($scene->slips as $id => $slip) {
        $wound += count($slip->route) > 4 ? 1 : 0;
        for ($i = 2; $i < count($slip->route); $i += 2) {
            [$x0, $y0, $x1, $y1] = array_map(fn (int $n): float => $slip->route[$i - 2 + $n] + $boxes[$id][$n % 2 === 0 ? 'x' : 'y'], [0, 1, 2, 3]);
            foreach ($boxes as $other => $box) {
                $isEnd = $other === $id || $other === $slip->parent;
                expect(! $isEnd && Ground::cuts($x0, $y0, $x1, $y1, [$box['x'], $box['y'], $box['x'] + $box['w'], $box['y'] + $box['h']], 0.0))->toBeFalse();
            }
        }
    }
    expect($wound)->toBeGreaterThan(0);
})->with([1, 2, 3, 4]);
