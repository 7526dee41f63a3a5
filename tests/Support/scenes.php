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
use ChalkTree\Arrange\PhraseWay;
use ChalkTree\Arrange\Round;
use ChalkTree\Arrange\Ruler;
use ChalkTree\Arrange\Scene;
use ChalkTree\Arrange\Slip;
use ChalkTree\Arrange\SteppedList;
use ChalkTree\Arrange\TopDown;
use ChalkTree\Arrange\View;
use ChalkTree\Brace\Braces;
use ChalkTree\CrossLink\CrossLink;
use ChalkTree\Map\Ids;
use ChalkTree\Map\TopicMap;
use Tests\Support\Chance;

/* The rules that hold for any scene of any map, for tests to hold scenes to. */

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
            // By its pole, the second point from its box if it is entered from the left.
            in_array(AlongLine::class, class_uses($head), true) => $across * ($box['x'] + $slip->route[count($slip->route) - ($slip->enters->isSideways() ? 4 : 6)]),
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
        $head = substr($key, 0, 26);
        $order = array_values(array_intersect(array_map(strval(...), array_keys($map->children($head))), array_keys($places)));
        if ($scene->slips[$head]->ruler !== null) {
            $dayOf = fn (string $id): string => $scene->slips[$id]->day->from ?? 'none';
            usort($order, fn (string $a, string $b): int => $dayOf($a) <=> $dayOf($b));
            // Those of the same day hang on the same place.
            $places = array_map(fn (string $id): array => [$places[$id], array_search($id, $order, true)], array_combine($order, $order));
        }
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
    // Where the map is narrowed some of them may not be there.
    $spanned = array_values(array_filter($spanned, fn (string $one): bool => isset($scene->slips[$one])));
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

/** Whether a point is on the line of days of a slip. */
function isOnRuler(Ruler $ruler, array $box, array $point): bool
{
    $ends = [$box['x'] + $ruler->x(0.0), $box['x'] + $ruler->x($ruler->scale->length())];

    return abs($point[1] - $box['y'] - $ruler->line) < 0.2 && $point[0] > min($ends) - 0.2 && $point[0] < max($ends) + 0.2;
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
    $ruler = $scene->slips[$slip->parent]->ruler;
    $begins = $ruler === null ? isOnEdge($boxes[$slip->parent], $points[0], $scene->slips[$slip->parent]) : isOnRuler($ruler, $boxes[$slip->parent], $points[0]);
    expect($begins)->toBeTrue("the connector to {$id} begins on its parent")
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
            $map->put(BranchArrangement::fromFields($id, ['name' => $chance->pick(Arrangements::names()), 'head' => $chance->pick([null, 'left', 'right']), 'sides' => $chance->pick([null, 'both', 'above', 'below']), 'goes' => $chance->pick([null, 'order']), 'day' => $chance->pick([null, 'by']), 'runs' => $chance->pick([null, 'down', 'across'])]));
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

/** Whether a row of an answer is of the map itself or a topic, and of no feature. */
function isOfMapOrTopic(array $row): bool
{
    return in_array($row['type'], ['map', 'topic'], true);
}
