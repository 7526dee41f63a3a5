<?php

declare(strict_types=1);

use ChalkTree\Arrange\Growth;
use ChalkTree\Arrange\Layout;
use ChalkTree\Arrange\Scene;
use ChalkTree\Arrange\View;
use ChalkTree\CrossLink\CrossLink;
use ChalkTree\Edit\Changes;
use ChalkTree\Edit\Edits;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Edit\Recorder;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\Map\Ids;
use ChalkTree\Map\NewMap;
use Tests\Support\Chance;
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

it('never ties a step to itself or twice the same way, whatever is done with steps, and undoes it all', function (int $seed) {
    $chance = new Chance($seed);
    $ids = array_map(strval(...), array_keys($this->map->children($this->map->root()->id)));
    $before = RandomMaps::contents($this->map);
    $done = [];
    for ($i = 0; $i < 40; $i++) {
        $links = array_map(strval(...), array_keys($this->map->rowsOf(CrossLink::class)));
        $edit = match ($chance->int(1, 4)) {
            1 => ['flow.lift', ['topics' => [$chance->pick($ids)]]],
            2 => ['flow.put', ['topic' => $chance->pick($ids), 'link' => $chance->pick([Ids::next(), ...$links]), 'as' => Ids::next()]],
            3 => ['flow.shift', ['topic' => $chance->pick($ids), 'by' => $chance->pick([-1, 1]), 'as' => Ids::next()]],
            default => ['crosslink.tie', ['topics' => [$from = $chance->pick($ids)], 'to' => $chance->pick(array_values(array_diff($ids, [$from]))), 'as' => [Ids::next()]]],
        };
        // What a person ties twice stays tied twice; moving steps adds nothing to that.
        $pairs = fn (): array => array_count_values(array_map(fn (CrossLink $link): string => "{$link->from()} {$link->to()}", array_values($this->map->rowsOf(CrossLink::class))));
        $had = $pairs();
        try {
            array_unshift($done, ($this->make)(...$edit));
        } catch (InvalidEdit) {
            expect($pairs())->toEqual($had);

            continue;
        }
        foreach ($this->map->rowsOf(CrossLink::class) as $link) {
            expect($link->from())->not->toBe($link->to());
        }
        if ($edit[0] === 'flow.lift') {
            foreach ($pairs() as $pair => $count) {
                expect($count)->toBeLessThanOrEqual(max(1, $had[$pair] ?? 0));
            }
        }
    }
    foreach ($done as $changes) {
        $changes->reversed()->applyTo($this->map, new Recorder($this->map));
    }
    expect(RandomMaps::contents($this->map))->toBe($before);
})->with(range(1, 12));

it('keeps clear of what stands below a step, and lets what has no way yet wait beside the chart', function (string $runs) {
    ($this->make)('row.set', ['type' => 'arrangement', 'topics' => [$this->map->root()->id], 'fields' => ['name' => 'flow', 'runs' => $runs]]);
    ($this->make)('topic.add', ['parent' => ($this->id)('Light'), 'topic' => ['title' => 'with a long match', 'children' => [['title' => 'from the tin'], ['title' => 'never from the galley stove']]]]);
    ($this->make)('topic.add', ['parent' => ($this->id)('Spare'), 'topic' => ['title' => 'in the red box']]);
    $scene = Layout::of($this->map, new View)->scene();
    $boxes = $scene->boxes();
    expect(overlaps(array_values($boxes)))->toBe([]);
    // What waits stands beyond all steps, with a connector from the head; what another leads to has none.
    $isAcross = $runs === 'across';
    $far = fn (string $title): float => $isAcross ? $boxes[($this->id)($title)]['y'] : $boxes[($this->id)($title)]['x'];
    foreach (['Fetch', 'Dry?', 'Light', 'Hang', 'Dry it'] as $step) {
        expect($far('Spare'))->toBeGreaterThan($far($step));
    }
    expect($scene->slips[($this->id)('Spare')]->route)->not->toBe([])->and($scene->slips[($this->id)('Hang')]->route)->toBe([]);
    // Steps stand one after the other in the direction in which it runs.
    $along = fn (string $title): float => $isAcross ? $boxes[($this->id)($title)]['x'] : $boxes[($this->id)($title)]['y'];
    expect([$along('Fetch') < $along('Dry?'), $along('Dry?') < $along('Light'), $along('Light') < $along('Hang')])->toBe([true, true, true]);
})->with(['down', 'across']);

it('brings ways to the outlines of decisions, inputs and ends, not to their boxes', function (string $shape) {
    ($this->make)('row.set', ['type' => 'look', 'topics' => [($this->id)('Dry?'), ($this->id)('Light')], 'fields' => ['shape' => $shape]]);
    $slips = Layout::of($this->map, new View)->slips();
    $head = $slips[$this->map->root()->id];
    foreach ($this->map->rowsOf(CrossLink::class) as $link) {
        $points = $head->ways[$link->id]['points'];
        foreach ([[$link->from(), $points[0], $points[1]], [$link->to(), $points[count($points) - 1], $points[count($points) - 2]]] as [$id, [$x, $y], [$nx, $ny]]) {
            $slip = $slips[$id];
            $edge = match (true) {
                $nx > $x + 0.1 => Growth::Right, $nx < $x - 0.1 => Growth::Left, $ny > $y => Growth::Down, default => Growth::Up,
            };
            $at = $edge->isSideways() ? $y - $slip->y : $x - $slip->x;
            $inset = $slip->look->box->shape()->inset($slip->w, $slip->h, $edge, $at);
            $wanted = match ($edge) {
                Growth::Right => $slip->x + $slip->w - $inset, Growth::Left => $slip->x + $inset, Growth::Down => $slip->y + $slip->h - $inset, Growth::Up => $slip->y + $inset,
            };
            expect(abs($wanted - ($edge->isSideways() ? $x : $y)))->toBeLessThan(0.2);
        }
    }
})->with(['rhombus', 'slanted', 'capsule', 'circle', 'hexagon', 'rectangle', 'slip']);

it('mirrors a process that runs across where the map runs from right to left', function () {
    ($this->make)('row.set', ['type' => 'arrangement', 'topics' => [$this->map->root()->id], 'fields' => ['name' => 'flow', 'runs' => 'across']]);
    $plain = Layout::of($this->map, new View)->scene();
    ($this->make)('row.set', ['type' => 'map-look', 'row' => Ids::next(), 'fields' => ['mirrored' => true]]);
    $mirrored = Layout::of($this->map, new View)->scene();
    $middle = fn (Scene $scene, string $title): float => $scene->boxes()[($this->id)($title)]['x'] + $scene->boxes()[($this->id)($title)]['w'] / 2;
    foreach (['Fetch', 'Dry?', 'Hang'] as $step) {
        expect(abs($middle($plain, $step) + $middle($mirrored, $step)))->toBeLessThan(1.0);
    }
    [$root, $turned] = [$plain->slips[$this->map->root()->id], $mirrored->slips[$this->map->root()->id]];
    foreach ($root->ways as $id => $way) {
        foreach ($way['points'] as $n => [$x, $y]) {
            expect(abs($x + $turned->ways[$id]['points'][$n][0] - $root->w))->toBeLessThan(0.5)->and($turned->ways[$id]['points'][$n][1])->toBe($y);
        }
    }
});
