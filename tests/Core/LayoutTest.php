<?php

declare(strict_types=1);

use ChalkTree\Arrange\Arrangements;
use ChalkTree\Arrange\BranchArrangement;
use ChalkTree\Arrange\Layout;
use ChalkTree\Arrange\Touched;
use ChalkTree\Arrange\View;
use ChalkTree\Edit\Edits;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\Look\MapLook;
use ChalkTree\Look\TopicLook;
use ChalkTree\Map\Ids;
use ChalkTree\Map\NewMap;
use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;
use ChalkTree\Refusal;
use Tests\Support\Chance;
use Tests\Support\Outline;
use Tests\Support\RandomMaps;

it('lays out any map so that nothing overlaps, order is kept and connectors touch only what they join', function (int $seed) {
    $chance = new Chance($seed);
    $map = tied($chance, RandomMaps::map($chance, $chance->int(1, 120)));
    foreach (Arrangements::names() as $arrangement) {
        checkScene(Layout::of($map, new View, $arrangement)->scene(), $map);
        checkScene(Layout::of($map, randomView($chance, $map), $arrangement)->scene(), $map);
    }
})->with(range(1, 30));

it('lays a mirrored map out as if seen in a mirror', function (int $seed) {
    $chance = new Chance($seed);
    $map = mixed($chance, RandomMaps::map($chance, $chance->int(1, 70)));
    // What a person put somewhere stays there, and so does what makes way for it.
    foreach ([...$map->rowsOf(BranchArrangement::class), ...$map->loose()] as $id => $row) {
        $row instanceof Topic ? $map->drop(Topic::type(), $row->id) : $map->put(BranchArrangement::fromFields((string) $id, ['name' => $row->text('name') === 'free' ? 'round' : $row->text('name')] + $row->fields()));
    }
    $look = $map->rowsOf(MapLook::class);
    $mirrored = fn (bool $is): TopicMap => tap(clone $map, fn (TopicMap $copy) => $copy->put(MapLook::fromFields((string) (array_key_last($look) ?? Ids::next()), ['mirrored' => $is] + (end($look) ?: MapLook::fromFields(Ids::next(), []))->fields())));
    $arrangement = $chance->pick(array_diff(Arrangements::names(), ['free']));
    [$as, $seen] = [Layout::of($mirrored(false), new View, $arrangement)->scene(), Layout::of($mirrored(true), new View, $arrangement)->scene()];
    expect($seen->boxes())->toHaveSameSize($as->boxes());
    foreach ($as->boxes() as $id => $box) {
        $other = $seen->boxes()[$id];
        expect([round(-$other['x'] - $other['w'], 3), round($other['y'], 3), $other['w'], $other['h']])->toBe([round($box['x'], 3), round($box['y'], 3), $box['w'], $box['h']])
            ->and($seen->slips[$id]->growth)->toBe($as->slips[$id]->growth->mirrored())
            ->and($seen->slips[$id]->enters)->toBe($as->slips[$id]->enters->mirrored());
    }
    checkScene($seen, $map);
})->with(range(1, 40));

it('mixes arrangements at will by the same rules', function (int $seed) {
    $chance = new Chance($seed);
    $map = mixed($chance, RandomMaps::map($chance, $chance->int(1, 90)));
    checkScene(Layout::of($map, new View, $chance->pick(Arrangements::names()))->scene(), $map);
    checkScene(Layout::of($map, randomView($chance, $map), $chance->pick(Arrangements::names()))->scene(), $map);
    $scope = $chance->pick(array_map(strval(...), array_keys($map->all())));
    expect(overlaps(array_values(Layout::of($map, new View(scope: $scope))->scene()->boxes())))->toBe([]);
})->with(range(1, 60));

it('lays out maps of up to 3,000 topics without overlap', function (int $seed, int $topics) {
    $chance = new Chance($seed);
    $map = RandomMaps::map($chance, $topics);
    foreach (Arrangements::names() as $arrangement) {
        $scene = Layout::of($map, new View, $arrangement)->scene();
        expect(overlaps(array_values($scene->boxes())))->toBe([])->and($scene->slips)->toHaveCount($topics);
    }
    expect(overlaps(array_values(Layout::of(mixed($chance, $map), new View)->scene()->boxes())))->toBe([]);
})->with([[101, 1], [102, 2], [103, 700], [104, 3000]]);

it('lays out chains of a thousand and fans of a thousand', function () {
    $chain = $top = new TopicDraft('Chain');
    for ($i = 0; $i < 1000; $i++) {
        $chain = $chain->children[] = new TopicDraft("Link {$i}");
    }
    $deep = NewMap::from($top);
    $wide = NewMap::from(new TopicDraft('Fan', children: array_map(fn (int $i): TopicDraft => new TopicDraft("Blade {$i}"), range(1, 1000))));

    expect(overlaps(array_values(Layout::of($deep, new View)->scene()->boxes())))->toBe([])
        ->and(overlaps(array_values(Layout::of($wide, new View)->scene()->boxes())))->toBe([]);
});

it('brings a layout up to date after edits and folding to just what laying out anew gives', function (int $seed) {
    $chance = new Chance($seed);
    $map = mixed($chance, RandomMaps::map($chance, $chance->int(1, 60)));
    $arrangement = $map->sheet()->arrangement;
    $view = randomView($chance, $map);
    $layout = Layout::of($map, $view);
    $browser = array_map(fn ($slip) => clone $slip, $layout->scene()->slips);
    for ($i = 0; $i < 60; $i++) {
        $touched = [];
        if ($chance->yes(25)) {
            $id = $chance->pick(array_map(strval(...), array_keys($map->all())));
            $view = isset($view->folded[$id]) ? new View(array_diff_key($view->folded, [$id => 1])) : new View($view->folded + [$id => true]);
            $touched[] = $id;
        } else {
            try {
                $body = $chance->yes(20)
                    ? ['name' => 'row.set', 'type' => 'arrangement', 'topics' => [$chance->pick(array_map(strval(...), array_keys($map->all())))], 'fields' => ['name' => $chance->pick([null, ...Arrangements::names()])]]
                    : RandomMaps::edit($chance, $map);
                if ($body['name'] === 'map.arrange') {
                    continue;
                }
                $touched = Touched::by($map, Edits::apply(RandomMaps::read($body), $map));
            } catch (Refusal) {
                continue;
            }
        }
        $change = $layout->draw($map, $view, $touched);
        foreach ($change->slips as $id => $slip) {
            $browser[$id] = clone $slip;
        }
        $browser = array_diff_key($browser, array_flip($change->gone));
        $anew = Layout::of($map, $view, $arrangement)->scene()->slips;
        expect(array_keys(array_diff_key($browser, $anew)))->toBe([])->and(array_keys(array_diff_key($anew, $browser)))->toBe([]);
        foreach ($anew as $id => $slip) {
            expect($slip->sameAs($browser[$id]))->toBeTrue("topic {$id} after {$i} edits");
        }
    }
})->with(range(1, 25));

it('leaves a branch alone in which nothing changed', function () {
    $map = NewMap::from(new TopicDraft('Root', children: [
        new TopicDraft('One', children: [new TopicDraft('A'), new TopicDraft('B')]),
        new TopicDraft('Two', children: [new TopicDraft('C'), new TopicDraft('D')]),
    ]));
    $layout = Layout::of($map, new View);
    $slips = $layout->scene()->slips;
    $ids = array_column(array_map(fn (Topic $t): array => [$t->title, $t->id], array_values($map->all())), 1, 0);
    $change = $layout->draw($map, new View, Edits::apply(Edits::read('topic.retitle', ['topic' => $ids['A'], 'title' => "A\nlonger"]), $map)->topics($map));

    expect($layout->scene()->slips[$ids['C']])->toBe($slips[$ids['C']])
        ->and($layout->scene()->slips[$ids['Two']])->toBe($slips[$ids['Two']])
        ->and($change->slips)->toHaveKeys([$ids['A'], $ids['B']])->not->toHaveKey($ids['C']);
});

it('balances both sides by height and keeps every branch on its side when one topic is added', function () {
    $chance = new Chance(9);
    $map = NewMap::from(new TopicDraft('Root', children: array_map(
        fn (int $i): TopicDraft => new TopicDraft("Branch {$i}", children: array_map(fn (int $n): TopicDraft => new TopicDraft("Leaf {$n}"), range(1, $chance->int(1, 8)))),
        range(1, 9),
    )));
    $heights = ['left' => 0.0, 'right' => 0.0];
    $tallest = 0.0;
    $scene = Layout::of($map, new View)->scene();
    foreach (array_keys($map->children($map->root()->id)) as $id) {
        $heights[$scene->slips[$id]->growth->value] += $scene->slips[$id]->h + $scene->slips[$id]->top + $scene->slips[$id]->bottom;
        $tallest = max($tallest, $scene->slips[$id]->h + $scene->slips[$id]->top + $scene->slips[$id]->bottom);
    }
    expect(abs($heights['left'] - $heights['right']))->toBeLessThanOrEqual($tallest);
    for ($i = 0; $i < 40; $i++) {
        $before = array_map(fn ($slip): string => $slip->growth->value, Layout::of($map, new View)->scene()->slips);
        Edits::apply(Edits::read('topic.add', ['parent' => $chance->pick(array_map(strval(...), array_keys($map->all()))), 'topic' => ['title' => 'New']]), $map);
        $after = array_map(fn ($slip): string => $slip->growth->value, Layout::of($map, new View)->scene()->slips);
        expect(array_intersect_key($after, $before))->toEqual($before);
    }
});

it('hides what is below a folded topic and counts it', function () {
    $map = NewMap::from(new TopicDraft('Root', children: [new TopicDraft('One', children: [new TopicDraft('A', children: [new TopicDraft('AA')]), new TopicDraft('B')])]));
    $one = array_key_first($map->children($map->root()->id));
    $scene = Layout::of($map, View::folding([$one]))->scene();

    expect($scene->slips)->toHaveCount(2)->and($scene->slips[$one]->hidden)->toBe(3);
});

it('makes a box as wide as a person asked, and wider only for a word that cannot be broken further', function () {
    $map = NewMap::from(new TopicDraft('Root', children: [new TopicDraft('Some words that wrap when they have to')]));
    $map->put(TopicLook::fromFields((string) array_key_first($map->children($map->root()->id)), ['width' => 140]));
    $slip = Layout::of($map, new View)->scene()->slips[array_key_first($map->children($map->root()->id))];

    expect($slip->w)->toBe(140.0)->and($slip->h)->toBeGreaterThan(3 * 23);
});

it('follows topics that go to different places at once, one from below the other', function () {
    $map = Outline::map("Harbour\n\tQuay\n\t\tCrane\n\t\t\tHook\nLoose");
    $id = fn (string $title): string => Outline::id($map, $title);
    $layout = Layout::of($map, new View);
    $after = clone $map;
    foreach ([['Hook', 'Harbour'], ['Crane', 'Loose']] as [$topic, $to]) {
        Edits::apply(Edits::read('topic.move', ['topics' => [$id($topic)], 'parent' => $id($to)]), $after);
    }
    $change = $layout->draw($after, new View, [$id('Hook'), $id('Crane')]);
    expect($change->gone)->toBe([])
        ->and($layout->scene()->boxes())->toEqual(Layout::of($after, new View)->scene()->boxes());
});
