<?php

declare(strict_types=1);

use ChalkTree\Arrange\AlongLine;
use ChalkTree\Arrange\Arrangements;
use ChalkTree\Arrange\BottomUp;
use ChalkTree\Arrange\BranchArrangement;
use ChalkTree\Arrange\Connector;
use ChalkTree\Arrange\Fishbone;
use ChalkTree\Arrange\FishRib;
use ChalkTree\Arrange\FollowsTies;
use ChalkTree\Arrange\Free;
use ChalkTree\Arrange\Grid;
use ChalkTree\Arrange\GridRow;
use ChalkTree\Arrange\Growth;
use ChalkTree\Arrange\Layout;
use ChalkTree\Arrange\PhraseWay;
use ChalkTree\Arrange\Round;
use ChalkTree\Arrange\Scene;
use ChalkTree\Arrange\Slip;
use ChalkTree\Arrange\SteppedList;
use ChalkTree\Arrange\TopDown;
use ChalkTree\Arrange\Touched;
use ChalkTree\Arrange\View;
use ChalkTree\Brace\Braces;
use ChalkTree\CrossLink\CrossLink;
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

/** Checks every rule that holds for any scene of any map. */
function checkScene(Scene $scene, TopicMap $map): void
{
    $boxes = $scene->boxes();
    expect(overlaps(array_values($boxes)))->toBe([]);
    $bounds = $scene->bounds();
    $below = [];
    foreach ($boxes as $id => $box) {
        $slip = $scene->slips[$id];
        expect($box['x'])->toBeGreaterThanOrEqual($bounds['x'] - 0.001)->and($box['y'])->toBeGreaterThanOrEqual($bounds['y'] - 0.001)
            ->and($box['x'] + $box['w'])->toBeLessThanOrEqual($bounds['x'] + $bounds['w'] + 0.001)
            ->and($box['y'] + $box['h'])->toBeLessThanOrEqual($bounds['y'] + $bounds['h'] + 0.001);
        if ($slip->parent === null) {
            continue;
        }
        $parent = $boxes[$slip->parent];
        $head = $scene->slips[$slip->parent]->given->arrangement;
        $isMirrored = $scene->slips[$slip->parent]->given->isMirrored;
        $across = $isMirrored ? -1 : 1;
        expect($slip->parent)->toBe($map->topic($id)->parent);
        if ($slip->brace !== null) {
            checkBrace($scene, $map, (string) $id, $boxes);

            continue;
        }
        match (true) {
            // What goes all around has no side, and what stands along a rib is anywhere beside it.
            $head instanceof Round, $head instanceof FishRib, $head instanceof Free => null,
            $head instanceof Fishbone => $isMirrored ? expect($box['x'])->toBeGreaterThan($parent['x'] + $parent['w']) : expect($box['x'] + $box['w'])->toBeLessThan($parent['x']),
            $slip->growth === Growth::Up => expect($box['y'] + $box['h'])->toBeLessThan($parent['y']),
            $head instanceof SteppedList, $head instanceof Grid, $slip->growth === Growth::Down => expect($box['y'])->toBeGreaterThan($parent['y'] + $parent['h']),
            $slip->growth === Growth::Right => expect($box['x'])->toBeGreaterThan($parent['x'] + $parent['w']),
            default => expect($box['x'] + $box['w'])->toBeLessThan($parent['x']),
        };
        if ($head instanceof Free) {
            continue;
        }
        if ($head instanceof FollowsTies) {
            // Their order is that of what ties them; one that another leads to has no connector.
            if ($slip->route !== []) {
                checkConnector($scene, $id, $boxes);
            }

            continue;
        }
        $below[$slip->parent.$slip->growth->value][$id] = match (true) {
            $head instanceof TopDown, $head instanceof BottomUp, $head instanceof GridRow => $across * ($box['x'] + ($isMirrored ? $box['w'] : 0)),
            // By its pole.
            in_array(AlongLine::class, class_uses($head), true) => $across * ($box['x'] + $slip->route[2]),
            // The foot of the first rib is nearest to the head; clockwise the left half goes upwards.
            $head instanceof Fishbone => -$across * ($box['x'] + $slip->route[2]),
            $head instanceof Round && $slip->growth === ($isMirrored ? Growth::Right : Growth::Left) => -$box['y'],
            default => $box['y'],
        };
        checkConnector($scene, $id, $boxes);
    }
    checkWords($scene, $boxes);
    checkWays($scene, $boxes);
    foreach ($below as $key => $places) {
        $order = array_values(array_intersect(array_map(strval(...), array_keys($map->children(substr($key, 0, 26)))), array_keys($places)));
        asort($places);
        expect(array_keys($places))->toBe($order);
    }
}

/** A brace stands beyond all that it spans, away from the parent, with its ends where those begin and end. */
function checkBrace(Scene $scene, TopicMap $map, string $id, array $boxes): void
{
    $slip = $scene->slips[$id];
    $head = $scene->slips[$slip->parent]->given->arrangement;
    if ($head instanceof Free) {
        return;
    }
    [$x0, $y0, $x1, $y1] = $slip->brace;
    $box = $boxes[$id];
    $braces = Braces::of($map);
    $spanned = $braces->spanned($braces->byTopic[$id], array_map(strval(...), array_keys($map->children($slip->parent))));
    expect($spanned)->not->toBe([]);
    foreach ($spanned as $one) {
        if ($scene->slips[$one]->growth === $scene->slips[$spanned[0]]->growth) {
            $its = $boxes[$one];
            match ($slip->leaves) {
                Growth::Right => expect($box['x'])->toBeGreaterThan($box['x'] + $x0)->and($box['x'] + $x0)->toBeGreaterThan($its['x'] + $its['w']),
                Growth::Left => expect($box['x'] + $box['w'])->toBeLessThan($box['x'] + $x0)->and($box['x'] + $x0)->toBeLessThan($its['x']),
                Growth::Down => expect($box['y'])->toBeGreaterThan($box['y'] + $y0)->and($box['y'] + $y0)->toBeGreaterThan($its['y'] + $its['h']),
                Growth::Up => expect($box['y'] + $box['h'])->toBeLessThan($box['y'] + $y0)->and($box['y'] + $y0)->toBeLessThan($its['y']),
            };
        }
    }
    expect(($x1 - $x0) + ($y1 - $y0))->toBeGreaterThan(10.0);
    // Nothing lies across its line.
    $line = [min($x0, $x1) + $box['x'], min($y0, $y1) + $box['y'], max($x0, $x1) + $box['x'], max($y0, $y1) + $box['y']];
    foreach ($boxes as $other => $o) {
        if (($line[0] === $line[2] ? $o['x'] < $line[0] && $line[0] < $o['x'] + $o['w'] && $o['y'] < $line[3] && $line[1] < $o['y'] + $o['h'] : $o['y'] < $line[1] && $line[1] < $o['y'] + $o['h'] && $o['x'] < $line[2] && $line[0] < $o['x'] + $o['w']) && ! standsFree($scene, (string) $other) && ! standsFree($scene, $id)) {
            throw new RuntimeException("The brace {$id} crosses {$other} ({$scene->slips[$other]->topic->title}).");
        }
    }
}

/** Every phrase stands within the bounds, on its own connector, and on no box and no other phrase; but for what stands free. */
function checkWords(Scene $scene, array $boxes): void
{
    $bounds = $scene->bounds();
    $words = [];
    foreach ($boxes as $id => $box) {
        $slip = $scene->slips[$id];
        if ($slip->words === null) {
            expect($slip->phrase === '' || $slip->route === [])->toBeTrue("the phrase of {$id} stands somewhere");

            continue;
        }
        [$x, $y, $w, $h] = $slip->words;
        $rect = ['id' => "{$id} phrase", 'x' => $box['x'] + $x, 'y' => $box['y'] + $y, 'w' => $w, 'h' => $h];
        expect($rect['x'])->toBeGreaterThanOrEqual($bounds['x'] - 0.2)->and($rect['y'])->toBeGreaterThanOrEqual($bounds['y'] - 0.2)
            ->and($rect['x'] + $w)->toBeLessThanOrEqual($bounds['x'] + $bounds['w'] + 0.2)->and($rect['y'] + $h)->toBeLessThanOrEqual($bounds['y'] + $bounds['h'] + 0.2);
        if (! standsFree($scene, (string) $id)) {
            $words[] = $rect;
            if ($slip->gap === null) {
                // Beside its own, where there is no room on it: only straight connectors have their phrases so.
                expect($slip->given->phrase)->toBe(PhraseWay::Along);

                continue;
            }
            [$piece, $ax, $ay, $bx, $by] = $slip->gap;
            [$x0, $y0, $x1, $y1] = array_slice($slip->route, 2 * $piece, 4);
            // Both ends of the gap are on the piece, one after the other.
            expect(abs(hypot($ax - $x0, $ay - $y0) + hypot($bx - $ax, $by - $ay) + hypot($x1 - $bx, $y1 - $by) - hypot($x1 - $x0, $y1 - $y0)))->toBeLessThan(0.3);
        }
    }
    $fixed = array_filter($boxes, fn (array $box): bool => ! standsFree($scene, $box['id']));
    expect(overlaps([...array_values($fixed), ...$words]))->toBe([]);
}

/** The ways of ties go across and down from outline to outline, through no box and within what the branch takes. */
function checkWays(Scene $scene, array $boxes): void
{
    foreach ($scene->slips as $head => $slip) {
        foreach ($slip->ways as $way) {
            $points = array_map(fn (array $at): array => [$boxes[$head]['x'] + $at[0], $boxes[$head]['y'] + $at[1]], $way['points']);
            foreach ($points as $i => [$x, $y]) {
                expect($x)->toBeGreaterThanOrEqual($boxes[$head]['x'] - $slip->left - 0.2)->and($x)->toBeLessThanOrEqual($boxes[$head]['x'] + $slip->w + $slip->right + 0.2)
                    ->and($y)->toBeGreaterThanOrEqual($boxes[$head]['y'] - $slip->top - 0.2)->and($y)->toBeLessThanOrEqual($boxes[$head]['y'] + $slip->h + $slip->bottom + 0.2);
                if ($i === 0) {
                    continue;
                }
                [$a, $b] = $points[$i - 1];
                expect($a === $x || $b === $y)->toBeTrue("the ways below {$head} run across and down");
                foreach ($boxes as $other => $o) {
                    if (max($a, $x) > $o['x'] + 0.2 && min($a, $x) < $o['x'] + $o['w'] - 0.2 && max($b, $y) > $o['y'] + 0.2 && min($b, $y) < $o['y'] + $o['h'] - 0.2 && ! standsFree($scene, (string) $other) && $scene->slips[$other]->look->box->shape()->isFull()) {
                        throw new RuntimeException("A way below {$head} ({$slip->topic->title}) crosses {$other} ({$scene->slips[$other]->topic->title}).");
                    }
                }
            }
        }
    }
}

/** Whether a point is on the edge of a box, rounded as paths are. */
function isOnEdge(array $box, array $point, Slip $slip): bool
{
    // Where a shape does not fill its box LookTest looks after it.
    if (! $slip->look->box->shape()->isFull()) {
        return true;
    }
    $near = fn (float $a, float $b): bool => abs($a - $b) < 0.2;
    $within = fn (float $at, float $from, float $long): bool => $at >= $from - 0.2 && $at <= $from + $long + 0.2;

    return (($near($point[0], $box['x']) || $near($point[0], $box['x'] + $box['w'])) && $within($point[1], $box['y'], $box['h']))
        || (($near($point[1], $box['y']) || $near($point[1], $box['y'] + $box['h'])) && $within($point[0], $box['x'], $box['w']));
}

/** Whether a topic or one above it stands free, where lines may go through. */
function standsFree(Scene $scene, string $id): bool
{
    for ($at = $id; $at !== null; $at = $scene->slips[$at]->parent) {
        if ($scene->slips[$at]->isFree) {
            return true;
        }
    }

    return false;
}

/** A slanted part of a connector goes through no other box. */
function checkSlant(Scene $scene, string $id, array $boxes, array $line): void
{
    [$a, $b, $c, $d] = $line;
    foreach ($boxes as $other => $o) {
        if ($other === $id || $other === $scene->slips[$id]->parent || standsFree($scene, $other)) {
            continue;
        }
        // Cut off what lies outside the box on each of its sides in turn.
        [$from, $to] = [0.0, 1.0];
        foreach ([[$a, $c - $a, $o['x'] + 0.1, $o['x'] + $o['w'] - 0.1], [$b, $d - $b, $o['y'] + 0.1, $o['y'] + $o['h'] - 0.1]] as [$start, $step, $least, $most]) {
            [$in, $out] = [($least - $start) / $step, ($most - $start) / $step];
            [$from, $to] = [max($from, min($in, $out)), min($to, max($in, $out))];
        }
        if ($from < $to) {
            throw new RuntimeException("The connector to {$id} ({$scene->slips[$id]->topic->title}) crosses {$other} ({$scene->slips[$other]->topic->title}).");
        }
    }
}

/** The connector begins on the parent's edge, ends on the child's, and no other box is on its way. */
function checkConnector(Scene $scene, string $id, array $boxes): void
{
    $slip = $scene->slips[$id];
    if ($scene->slips[$slip->parent]->given->arrangement instanceof GridRow) {
        expect(Connector::path($slip))->toBe('');

        return;
    }
    $box = $boxes[$id];
    $points = array_map(fn (array $at): array => [$box['x'] + $at[0], $box['y'] + $at[1]], array_chunk($slip->route, 2));
    expect(isOnEdge($boxes[$slip->parent], $points[0], $scene->slips[$slip->parent]))->toBeTrue("the connector to {$id} begins on its parent")
        ->and(isOnEdge($box, end($points), $slip))->toBeTrue("the connector to {$id} ends on it");
    // A Bézier curve stays within its control points, so the frame of its ends holds all of it.
    for ($i = 1; $i < count($points); $i++) {
        [[$a, $b], [$c, $d]] = [$points[$i - 1], $points[$i]];
        if ($a !== $c && $b !== $d && ($slip->isDirect || ! $slip->isCurved || $i > 1)) {
            checkSlant($scene, $id, $boxes, [$a, $b, $c, $d]);

            continue;
        }
        $frame = [min($a, $c) + 0.1, min($b, $d) + 0.1, max($a, $c) - 0.1, max($b, $d) - 0.1];
        foreach ($boxes as $other => $o) {
            $crosses = $o['x'] < $frame[2] && $frame[0] < $o['x'] + $o['w'] && $o['y'] < $frame[3] && $frame[1] < $o['y'] + $o['h'];
            $isThin = $frame[2] < $frame[0] || $frame[3] < $frame[1];
            $crosses = $isThin ? $o['x'] < max($frame[0], $frame[2]) && min($frame[0], $frame[2]) < $o['x'] + $o['w'] && $o['y'] < max($frame[1], $frame[3]) && min($frame[1], $frame[3]) < $o['y'] + $o['h'] : $crosses;
            if ($crosses && $other !== $id && $other !== $slip->parent && ! standsFree($scene, $other)) {
                throw new RuntimeException("The connector to {$id} ({$slip->topic->title}) crosses {$other} ({$scene->slips[$other]->topic->title}).");
            }
        }
    }
}

/** Gives some branches arrangements of their own. */
function mixed(Chance $chance, TopicMap $map): TopicMap
{
    foreach (array_map(strval(...), array_keys($map->all())) as $id) {
        if ($chance->yes(18)) {
            $map->put(BranchArrangement::fromFields($id, ['name' => $chance->pick(Arrangements::names()), 'head' => $chance->pick([null, 'left', 'right']), 'sides' => $chance->pick([null, 'both', 'above', 'below']), 'runs' => $chance->pick([null, 'down', 'across'])]));
        }
    }

    return tied($chance, $map);
}

/** Ties some siblings to each other, as the steps of a process are. */
function tied(Chance $chance, TopicMap $map): TopicMap
{
    foreach (array_map(strval(...), array_keys($map->all())) as $id) {
        $steps = array_map(strval(...), array_keys($map->children($id)));
        for ($n = count($steps) > 1 && $chance->yes(50) ? $chance->int(1, count($steps) + 2) : 0; $n > 0; $n--) {
            [$from, $to] = [$chance->pick($steps), $chance->pick($steps)];
            if ($from !== $to) {
                $map->put(CrossLink::fromFields(Ids::next(), ['from' => $from, 'to' => $to, 'phrase' => $chance->pick(['', 'yes', $chance->words(4)])]));
            }
        }
    }

    return $map;
}

function randomView(Chance $chance, TopicMap $map): View
{
    return View::folding(array_filter(array_map(strval(...), array_keys($map->all())), fn (): bool => $chance->yes(8)));
}

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
