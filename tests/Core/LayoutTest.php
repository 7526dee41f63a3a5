<?php

declare(strict_types=1);

use ChalkTree\Arrange\Connector;
use ChalkTree\Arrange\Growth;
use ChalkTree\Arrange\Layout;
use ChalkTree\Arrange\Scene;
use ChalkTree\Arrange\View;
use ChalkTree\Edit\Edits;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\Look\Looks;
use ChalkTree\Map\NewMap;
use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;
use ChalkTree\Refusal;
use Tests\Support\Chance;
use Tests\Support\RandomMaps;

/** Pairs of boxes that overlap, found by sweeping from left to right. */
function overlaps(array $boxes): array
{
    usort($boxes, fn (array $a, array $b): int => $a['x'] <=> $b['x']);
    $found = [];
    $open = [];
    foreach ($boxes as $box) {
        foreach ($open as $i => $other) {
            if ($box['x'] >= $other['x'] + $other['w']) {
                unset($open[$i]);
            } elseif ($other['y'] < $box['y'] + $box['h'] && $box['y'] < $other['y'] + $other['h']) {
                $found[] = [$other['id'], $box['id']];
            }
        }
        $open[] = $box;
    }

    return $found;
}

/** Checks every rule that holds for any scene of any map. */
function checkScene(Scene $scene, TopicMap $map): void
{
    $boxes = $scene->boxes();
    expect(overlaps(array_values($boxes)))->toBe([]);
    $bounds = $scene->bounds();
    $below = [];
    foreach ($boxes as $id => $box) {
        $slip = $scene->slips[$id];
        expect($box['x'])->toBeGreaterThanOrEqual($bounds['x'])->and($box['y'])->toBeGreaterThanOrEqual($bounds['y'])
            ->and($box['x'] + $box['w'])->toBeLessThanOrEqual($bounds['x'] + $bounds['w'])
            ->and($box['y'] + $box['h'])->toBeLessThanOrEqual($bounds['y'] + $bounds['h']);
        if ($slip->parent === null) {
            continue;
        }
        $parent = $boxes[$slip->parent];
        expect($slip->parent)->toBe($map->topic($id)->parent);
        $slip->growth === Growth::Right
            ? expect($box['x'])->toBeGreaterThan($parent['x'] + $parent['w'])
            : expect($box['x'] + $box['w'])->toBeLessThan($parent['x']);
        $below[$slip->parent.$slip->growth->value][$id] = $box['y'];
        checkConnector($scene, $id, $boxes);
    }
    foreach ($below as $key => $ys) {
        $order = array_values(array_intersect(array_map(strval(...), array_keys($map->children(substr($key, 0, 26)))), array_keys($ys)));
        asort($ys);
        expect(array_keys($ys))->toBe($order);
    }
}

/** The connector begins on the parent's edge, ends on the child's, and no other box is on its way. */
function checkConnector(Scene $scene, string $id, array $boxes): void
{
    $slip = $scene->slips[$id];
    preg_match_all('/-?\d+(?:\.\d+)?/', Connector::path($slip, Looks::standard()->level($slip->level)), $m);
    $n = array_map(floatval(...), $m[0]);
    $box = $boxes[$id];
    $parent = $boxes[$slip->parent];
    $right = $slip->growth === Growth::Right;
    $from = ['x' => $box['x'] + $n[0], 'y' => $box['y'] + ($n[1] + $n[15]) / 2];
    $to = ['x' => $box['x'] + $n[6], 'y' => $box['y'] + ($n[7] + $n[9]) / 2];
    expect($from['x'])->toEqualWithDelta($right ? $parent['x'] + $parent['w'] : $parent['x'], 0.2)
        ->and($to['x'])->toEqualWithDelta($right ? $box['x'] : $box['x'] + $box['w'], 0.2)
        ->and($from['y'])->toEqualWithDelta($parent['y'] + $parent['h'] / 2, 0.2)
        ->and($to['y'])->toEqualWithDelta($box['y'] + $box['h'] / 2, 0.2);
    // A Bézier curve stays within its control points, so their frame holds all of the connector.
    $xs = [$n[0], $n[2], $n[4], $n[6], $n[10], $n[12]];
    $ys = [$n[1], $n[7], $n[9], $n[15]];
    $frame = ['x' => $box['x'] + min($xs) + 0.2, 'y' => $box['y'] + min($ys), 'w' => max($xs) - min($xs) - 0.4, 'h' => max($ys) - min($ys)];
    foreach ($boxes as $other => $o) {
        if ($other !== $id && $other !== $slip->parent) {
            $crosses = $o['x'] < $frame['x'] + $frame['w'] && $frame['x'] < $o['x'] + $o['w'] && $o['y'] < $frame['y'] + $frame['h'] && $frame['y'] < $o['y'] + $o['h'];
            if ($crosses) {
                throw new RuntimeException("The connector to {$id} crosses {$other}.");
            }
        }
    }
}

function randomView(Chance $chance, TopicMap $map): View
{
    return View::folding(array_filter(array_map(strval(...), array_keys($map->all())), fn (): bool => $chance->yes(8)));
}

it('lays out any map so that nothing overlaps, order is kept and connectors touch only what they join', function (int $seed) {
    $chance = new Chance($seed);
    $map = RandomMaps::map($chance, $chance->int(1, 120));
    foreach (['both-sides', 'rightward'] as $arrangement) {
        checkScene(Layout::of($map, new View, $arrangement)->scene(), $map);
        checkScene(Layout::of($map, randomView($chance, $map), $arrangement)->scene(), $map);
    }
})->with(range(1, 30));

it('lays out maps of up to 3,000 topics without overlap', function (int $seed, int $topics) {
    $chance = new Chance($seed);
    $map = RandomMaps::map($chance, $topics);
    $scene = Layout::of($map, new View)->scene();

    expect(overlaps(array_values($scene->boxes())))->toBe([])->and($scene->slips)->toHaveCount($topics);
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
    $map = RandomMaps::map($chance, $chance->int(1, 60));
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
                $body = RandomMaps::edit($chance, $map);
                if ($body['name'] === 'map.arrange') {
                    continue;
                }
                $touched = Edits::apply(RandomMaps::read($body), $map)->topics();
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
    $change = $layout->draw($map, new View, Edits::apply(Edits::read('topic.retitle', ['topic' => $ids['A'], 'title' => "A\nlonger"]), $map)->topics());

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
        $heights[$scene->slips[$id]->growth->value] += $scene->slips[$id]->band;
        $tallest = max($tallest, $scene->slips[$id]->band);
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
    $map = NewMap::from(new TopicDraft('Root', children: [new TopicDraft('Some words that wrap when they have to', width: 140)]));
    $slip = Layout::of($map, new View)->scene()->slips[array_key_first($map->children($map->root()->id))];

    expect($slip->w)->toBe(140.0)->and($slip->h)->toBeGreaterThan(3 * 23);
});
