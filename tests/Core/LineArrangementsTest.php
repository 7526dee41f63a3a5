<?php

declare(strict_types=1);

use ChalkTree\Arrange\BranchArrangement;
use ChalkTree\Arrange\Growth;
use ChalkTree\Arrange\Layout;
use ChalkTree\Arrange\Outline;
use ChalkTree\Arrange\Slip;
use ChalkTree\Arrange\View;
use ChalkTree\Draw\SlipData;
use ChalkTree\Edit\Edits;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\Look\Looks;
use ChalkTree\Look\TopicLook;
use ChalkTree\Map\NewMap;
use ChalkTree\Map\TopicMap;

/** A week with two things for each day. */
function week(string $arrangement): TopicMap
{
    return NewMap::from(new TopicDraft('Week', children: array_map(
        fn (string $day): TopicDraft => new TopicDraft($day, children: [new TopicDraft("{$day} morning", children: [new TopicDraft("{$day} tea")]), new TopicDraft("{$day} evening, with the whole of the crew")]),
        ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday'],
    )), arrangement: $arrangement);
}

/** @return array<string, array{x: float, y: float, w: float, h: float, ...}> boxes by title */
function boxesOf(TopicMap $map, ?View $view = null): array
{
    $boxes = [];
    foreach (Layout::of($map, $view ?? new View)->scene()->boxes() as $id => $box) {
        $boxes[$map->topic($id)->title] = $box;
    }

    return $boxes;
}

/** @return array<string, Slip> by title */
function slipsOf(TopicMap $map): array
{
    $slips = [];
    foreach (Layout::of($map, new View)->slips() as $slip) {
        $slips[$slip->topic->title] = $slip;
    }

    return $slips;
}

const DAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday'];

it('grows upwards, level by level, as top-down grows downwards', function () {
    $up = boxesOf(week('bottom-up'));
    $down = boxesOf(week('top-down'));
    foreach ($up as $title => $box) {
        expect($box['x'])->toBe($down[$title]['x'])->and($box['y'] + $box['h'] + $down[$title]['y'])->toEqualWithDelta(0.0, 0.01, $title);
    }
    $slip = slipsOf(week('bottom-up'))['Monday'];
    expect($slip->growth)->toBe(Growth::Up)->and((new SlipData)->of($slip)['spine'])->toBe('bottom')->and((new SlipData)->of($slip)['opens'])->toBe('up');
});

it('hangs days on a line, above and below in turn, in their order', function () {
    $map = week('timeline');
    $boxes = boxesOf($map);
    $slips = slipsOf($map);
    $line = $boxes['Week']['y'] + $boxes['Week']['h'] / 2;
    $poles = [];
    foreach (DAYS as $n => $day) {
        $isAbove = $boxes[$day]['y'] + $boxes[$day]['h'] < $line;
        expect($isAbove)->toBe($n % 2 === 0);
        // All of the branch stays on its side of the line.
        foreach (["{$day} morning", "{$day} tea", "{$day} evening, with the whole of the crew"] as $below) {
            expect($isAbove ? $boxes[$below]['y'] + $boxes[$below]['h'] < $line : $boxes[$below]['y'] > $line)->toBeTrue();
        }
        $poles[] = $boxes[$day]['x'] + $slips[$day]->route[2];
        // Along the line, then up or down the pole: the second point is on the line, and the third right above or below it.
        expect($boxes[$day]['y'] + $slips[$day]->route[3])->toBe($line)->and($slips[$day]->route[4])->toBe($slips[$day]->route[2]);
    }
    $sorted = $poles;
    sort($sorted);
    expect($poles)->toBe($sorted)->and($slips['Week']->axis[2])->toBeGreaterThan($poles[4] - $boxes['Week']['x'] - 0.01);
});

it('puts causes on ribs that lean away from the head, the first nearest to it', function () {
    $map = week('fishbone');
    $boxes = boxesOf($map);
    $slips = slipsOf($map);
    $line = $boxes['Week']['y'] + $boxes['Week']['h'] / 2;
    $feet = [];
    foreach (DAYS as $n => $day) {
        expect($boxes[$day]['y'] < $line)->toBe($n % 2 === 0);
        $route = $slips[$day]->route;
        $feet[] = $boxes[$day]['x'] + $route[2];
        // It leans the same way and as much everywhere: 0.45 across for one along.
        expect(abs(($route[4] - $route[2]) / ($route[5] - $route[3])))->toEqualWithDelta(0.45, 0.02)
            ->and($route[4])->toBeLessThan($route[2]);
        // What is along the rib stands at its far side from the head, and between the spine and the rib's own topic.
        foreach (["{$day} morning", "{$day} evening, with the whole of the crew"] as $cause) {
            $middle = $boxes[$cause]['y'] + $boxes[$cause]['h'] / 2;
            $rib = end($feet) - 0.45 * abs($line - $middle);
            expect($boxes[$cause]['x'] + $boxes[$cause]['w'])->toBeLessThan($rib)
                ->and($middle)->toBeGreaterThan(min($line, $boxes[$day]['y']))->toBeLessThan(max($line, $boxes[$day]['y'] + $boxes[$day]['h']));
        }
    }
    $sorted = $feet;
    rsort($sorted);
    expect($feet)->toBe($sorted)->and($feet[0])->toBeLessThan($boxes['Week']['x']);
});

it('goes all around clockwise, in a rounder outline the more there are', function () {
    $map = NewMap::from(new TopicDraft('Sun', children: array_map(fn (int $n): TopicDraft => new TopicDraft("Ray {$n}"), range(1, 12))), arrangement: 'round');
    $boxes = boxesOf($map);
    $middles = array_map(fn (int $n): array => [$boxes["Ray {$n}"]['x'] + $boxes["Ray {$n}"]['w'] / 2, $boxes["Ray {$n}"]['y'] + $boxes["Ray {$n}"]['h'] / 2], range(1, 12));
    $angles = array_map(fn (array $at): float => fmod(atan2($at[1], $at[0]) + 2.5 * M_PI, 2 * M_PI), $middles);
    $sorted = $angles;
    sort($sorted);
    expect($angles)->toBe($sorted);
    // Those in the middle of each side stand farthest out.
    $out = array_map(fn (array $at): float => abs($at[0]), $middles);
    expect($out[3])->toBeGreaterThan($out[0])->and($out[8])->toBeGreaterThan($out[11]);
    foreach (slipsOf($map) as $slip) {
        expect($slip->parent === null || ($slip->isDirect && count($slip->route) === 4))->toBeTrue();
    }
});

it('never changes the type with the arrangement', function () {
    foreach (['both-sides', 'bottom-up', 'fishbone', 'timeline', 'grid', 'round', 'free'] as $arrangement) {
        foreach (slipsOf(week($arrangement)) as $slip) {
            expect($slip->look->type->size)->toBe(Looks::standard()->level($slip->level)->type->size);
        }
    }
});

it('pulls branches apart along lines and farther from them', function (string $arrangement) {
    $map = week($arrangement);
    $id = (string) array_search('Tuesday', array_map(fn ($topic): string => $topic->title, $map->all()), true);
    $before = boxesOf($map);
    Edits::apply(Edits::read('topic.apart', ['topics' => [$id], 'x' => 60, 'y' => 40]), $map);
    $after = boxesOf($map);
    $far = fn (array $boxes): float => abs($boxes['Tuesday']['y'] - $boxes['Week']['y']);
    expect($far($after))->toBeGreaterThan($far($before))->and($after['Monday'])->toBe($before['Monday'])
        ->and(abs($after['Friday']['x']))->toBeGreaterThanOrEqual(abs($before['Friday']['x']));
})->with(['timeline', 'fishbone']);

it('folds branches along lines, with the tally at their side', function (string $arrangement) {
    $map = week($arrangement);
    $days = array_keys($map->children($map->sheet()->root));
    $boxes = boxesOf($map, View::folding(array_map(strval(...), $days)));
    expect(array_keys($boxes))->toEqualCanonicalizing(['Week', ...DAYS]);
})->with(['timeline', 'fishbone', 'round', 'free', 'bottom-up']);

it('finds where straight lines leave every shape', function (string $shape) {
    $map = NewMap::from(new TopicDraft('Root', children: [new TopicDraft('A topic of some words')]));
    $map->put(TopicLook::fromFields((string) array_keys($map->all())[1], ['shape' => $shape]));
    $slip = slipsOf($map)['A topic of some words'];
    for ($angle = 0; $angle < 360; $angle += 15) {
        [$dx, $dy] = [cos(deg2rad($angle)), sin(deg2rad($angle))];
        [$x, $y] = Outline::leave($slip, $slip->w / 2 + 4000 * $dx, $slip->h / 2 + 4000 * $dy);
        [$u, $v] = [($x - $slip->w / 2) / ($slip->w / 2), ($y - $slip->h / 2) / ($slip->h / 2)];
        $on = match ($shape) {
            'oval', 'circle' => $u ** 2 + $v ** 2,
            'rhombus' => abs($u) + abs($v),
            default => max(abs($u), abs($v)),
        };
        expect($on)->toEqualWithDelta(1.0, 0.03, "{$shape} at {$angle}")
            // In the direction of the line.
            ->and(($x - $slip->w / 2) * $dx + ($y - $slip->h / 2) * $dy)->toBeGreaterThan(0.0);
    }
})->with(['slip', 'rectangle', 'oval', 'circle', 'rhombus']);

it('has the head of a fishbone on either side, one the mirror of the other', function () {
    $right = week('fishbone');
    $left = clone $right;
    $left->put(BranchArrangement::fromFields($left->sheet()->root, ['head' => 'left']));
    [$boxes, $others, $slips] = [boxesOf($right), boxesOf($left), slipsOf($left)];
    foreach (DAYS as $day) {
        expect($boxes[$day]['x'] + $boxes[$day]['w'])->toBeLessThan($boxes['Week']['x'])->and($others[$day]['x'])->toEqualWithDelta(-$boxes[$day]['x'] - $boxes[$day]['w'], 0.01);
        // What is below the ribs are lists as everywhere, set in from the left.
        expect($others["{$day} tea"]['x'])->toBeGreaterThan($others["{$day} morning"]['x']);
    }
    $axis = $slips['Week']->axis;
    expect(min($axis[0], $axis[2]))->toBeGreaterThanOrEqual($boxes['Week']['w'])
        ->and((new SlipData)->of($slips['Week'])['opens'])->toBe('right')
        ->and((new SlipData)->of($slips['Monday morning'])['grows'])->toBe('right');
});

it('hangs all of a timeline above or below its line where that is wanted', function (string $sides) {
    $map = week('timeline');
    $map->put(BranchArrangement::fromFields($map->sheet()->root, ['sides' => $sides]));
    $boxes = boxesOf($map);
    $line = $boxes['Week']['y'] + $boxes['Week']['h'] / 2;
    foreach (DAYS as $n => $day) {
        expect($boxes[$day]['y'] < $line)->toBe($sides === 'above')->and($n === 0 || $boxes[DAYS[max(0, $n - 1)]]['x'] < $boxes[$day]['x'])->toBeTrue();
    }
})->with(['above', 'below']);
