<?php

declare(strict_types=1);

use ChalkTree\Arrange\Ground;
use ChalkTree\Arrange\Layout;
use ChalkTree\Arrange\Place;
use ChalkTree\Arrange\Scene;
use ChalkTree\Arrange\View;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\Map\NewMap;
use ChalkTree\Map\TopicMap;
use ChalkTree\Route\CornerFinder;
use ChalkTree\Route\Port;
use ChalkTree\Route\Spots;
use ChalkTree\Route\Stroke;
use ChalkTree\Route\Surroundings;
use ChalkTree\Route\WayFinder;
use Tests\Support\Chance;

/** Topics strewn over a board, none over another. */
function strewn(Chance $chance, int $count): TopicMap
{
    $map = NewMap::from(new TopicDraft('Root', children: array_map(fn (int $n): TopicDraft => new TopicDraft("Thought {$n}"), range(1, $count))), [], 'free');
    $taken = [[-120, -60, 120, 60]];
    foreach (array_keys($map->children($map->root()->id)) as $id) {
        do {
            [$x, $y] = [$chance->int(-900, 900), $chance->int(-600, 600)];
        } while (array_filter($taken, fn (array $box): bool => $x - 75 < $box[2] && $x + 75 > $box[0] && $y - 32 < $box[3] && $y + 32 > $box[1]) !== []);
        $taken[] = [$x - 75, $y - 32, $x + 75, $y + 32];
        $map->put(Place::fromFields((string) $id, ['x' => $x, 'y' => $y]));
    }

    return $map;
}

/** The ids of the boxes, other than those at the ends, that a way goes through. */
function crossedBy(array $points, Scene $scene, array $own): array
{
    $crossed = [];
    foreach ($scene->boxes() as $id => $box) {
        for ($i = 1; $i < count($points) && ! isset($own[$id]); $i++) {
            if (Ground::cuts(...$points[$i - 1], ...[...$points[$i], [$box['x'], $box['y'], $box['x'] + $box['w'], $box['y'] + $box['h']], 0.0])) {
                $crossed[$id] = $id;
            }
        }
    }

    return array_values($crossed);
}

it('tells whether a line goes through a rectangle as looking at each of its points does', function () {
    $chance = new Chance(3);
    for ($n = 0; $n < 2000; $n++) {
        [$x0, $y0, $x1, $y1] = array_map(fn (): float => $chance->int(-100, 200), range(1, 4));
        $isIn = false;
        for ($i = 0; $i <= 400 && ! $isIn; $i++) {
            [$x, $y] = [$x0 + ($x1 - $x0) * $i / 400, $y0 + ($y1 - $y0) * $i / 400];
            $isIn = $x > 0.5 && $x < 99.5 && $y > 0.5 && $y < 49.5;
        }
        // Within half a pixel of the edge both may be right.
        $isNear = Ground::cuts($x0, $y0, $x1, $y1, [0.0, 0.0, 100.0, 50.0], 1.5);
        expect($isIn && ! Ground::cuts($x0, $y0, $x1, $y1, [0.0, 0.0, 100.0, 50.0], 0.0))->toBeFalse()
            ->and(! $isNear && $isIn)->toBeFalse();
    }
    expect(Ground::cuts(0.0, 0.0, 100.0, 0.0, [0.0, 0.0, 100.0, 50.0], 0.0))->toBeFalse()
        ->and(Ground::cuts(5.0, 5.0, 5.0, 5.0, [0.0, 0.0, 100.0, 50.0], 0.0))->toBeTrue()
        ->and(Ground::cuts(-10.0, 5.0, 10.0, -15.0, [0.0, 0.0, 100.0, 50.0], 0.0))->toBeFalse();
});

it('finds all that stands in a part of the board, and all that is on a line, square by square', function () {
    $scene = Layout::of(strewn(new Chance(8), 40), new View)->scene();
    $chance = new Chance(9);
    $boxes = array_map(fn (array $box): array => [$box['x'], $box['y'], $box['x'] + $box['w'], $box['y'] + $box['h']], $scene->boxes());
    for ($n = 0; $n < 200; $n++) {
        [$x0, $y0, $x1, $y1] = array_map(fn (): float => $chance->int(-1000, 1000), range(1, 4));
        [$left, $top, $right, $bottom] = [min($x0, $x1), min($y0, $y1), max($x0, $x1), max($y0, $y1)];
        $in = array_filter($boxes, fn (array $box): bool => $box[0] < $right && $box[2] > $left && $box[1] < $bottom && $box[3] > $top);
        $on = array_filter($boxes, fn (array $box): bool => Ground::cuts($x0, $y0, $x1, $y1, $box, 4.0));
        expect(array_keys($scene->ground->boxesIn($left, $top, $right, $bottom)))->toEqualCanonicalizing(array_keys($in))
            ->and(array_keys($scene->ground->boxesOn($x0, $y0, $x1, $y1, 4.0)))->toEqualCanonicalizing(array_keys($on));
    }
});

it('leads ways around everything, straight where nothing is there, with corners where that is wanted', function (int $seed) {
    $map = strewn(new Chance($seed), 30);
    $scene = Layout::of($map, new View)->scene();
    $ids = array_map(strval(...), array_keys($map->children($map->root()->id)));
    $straight = 0;
    for ($n = 0; $n < 20; $n++) {
        [$a, $b] = [$scene->ground->find($map, $ids[$n]), $scene->ground->find($map, $ids[$n + 7])];
        $own = [$ids[$n] => true, $ids[$n + 7] => true];
        $around = new Surroundings($scene->ground, 0.0, 0.0);
        $way = (new WayFinder($around))->find(Port::of(...$a), Port::of(...$b), $own);
        expect($way['isClear'])->toBeTrue()->and(crossedBy($way['points'], $scene, $own))->toBe([]);
        // It leaves and comes in at a clear angle.
        [$first, $last] = [$way['points'][1], $way['points'][count($way['points']) - 2]];
        expect($way['from']->towards(...$first))->toBeGreaterThan(0.3)->and($way['to']->towards(...$last))->toBeGreaterThan(0.3);
        $straight += count($way['points']) === 2 ? 1 : 0;
        $cornered = (new CornerFinder($around))->find(Port::of(...$a), Port::of(...$b), $own);
        if ($cornered !== null) {
            expect(crossedBy($cornered['points'], $scene, $own))->toBe([]);
            for ($i = 1; $i < count($cornered['points']); $i++) {
                [[$x0, $y0], [$x1, $y1]] = [$cornered['points'][$i - 1], $cornered['points'][$i]];
                expect(min(abs($x1 - $x0), abs($y1 - $y0)))->toBeLessThan(0.11);
            }
        }
    }
    expect($straight)->toBeGreaterThan(0)->toBeLessThan(20);
})->with([1, 2, 3]);

it('rounds corners within them, and keeps its numbers so that it can be moved', function () {
    $stroke = Stroke::rounded([[0.0, 0.0], [100.0, 0.0], [100.0, 80.0]], 20.0);
    expect($stroke->path())->toBe('M0 0L80 0Q100 0 100 20L100 80')->and($stroke->length())->toBeGreaterThan(160.0)->toBeLessThan(180.0)
        ->and(Stroke::moved($stroke->plain(), 5.0, -5.0)->path())->toBe('M5 -5L85 -5Q105 -5 105 15L105 75')
        ->and($stroke->bounds())->toBe([0.0, 0.0, 100.0, 80.0])->and($stroke->cuts([40.0, -10.0, 60.0, 10.0], 0.0))->toBeTrue()->and($stroke->cuts([0.0, 20.0, 60.0, 60.0], 0.0))->toBeFalse();
    [$x, $y, $dx, $dy] = $stroke->along(0.0);
    expect([$x, $y, $dx, $dy])->toBe([0.0, 0.0, 1.0, 0.0])->and(array_map(fn (float $at): float => round($at, 1), $stroke->along(1.0)))->toBe([100.0, 80.0, 0.0, 1.0]);
});

it('gives words room that nothing else has', function () {
    $scene = Layout::of(strewn(new Chance(12), 30), new View)->scene();
    $chance = new Chance(13);
    $lines = array_map(fn (): Stroke => Stroke::rounded([[(float) $chance->int(-800, 800), (float) $chance->int(-500, 500)], [(float) $chance->int(-800, 800), (float) $chance->int(-500, 500)]], 1.0), range(1, 25));
    $spots = new Spots($scene->ground, $lines);
    $taken = [];
    foreach (array_keys($lines) as $number) {
        $spot = $spots->of($number, [[90.0, 20.0], [50.0, 36.0]]);
        [$left, $top, $right, $bottom] = $spot['box'];
        expect($scene->ground->boxesIn($left, $top, $right, $bottom))->toBe([]);
        foreach ($taken as $other) {
            expect($left < $other[2] && $right > $other[0] && $top < $other[3] && $bottom > $other[1])->toBeFalse();
        }
        foreach ($lines as $its => $line) {
            expect($its !== $number && ! $spot['isAside'] && $line->cuts($spot['box'], 0.0))->toBeFalse();
        }
        $taken[] = $spot['box'];
    }
});
