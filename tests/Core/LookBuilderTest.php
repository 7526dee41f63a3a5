<?php

declare(strict_types=1);

use ChalkTree\Arrange\Growth;
use ChalkTree\Look\BoardTheme;
use ChalkTree\Look\Contrast;
use ChalkTree\Look\LookBuilder;
use ChalkTree\Look\LookFields;
use ChalkTree\Look\Looks;
use ChalkTree\Look\Palette;
use ChalkTree\Look\StyleSheet;
use ChalkTree\Look\WholeLook;
use ChalkTree\Shape\Shapes;
use ChalkTree\Text\TypeFace;
use Tests\Support\Chance;

it('leaves a look as it is where nothing is said', function () {
    foreach (Looks::standard()->levels as $look) {
        expect(LookBuilder::build($look, []))->toBe($look);
    }
});

it('changes only what is said', function (array $said, string $part, string $field, mixed $value) {
    $level = Looks::standard()->level(2);
    $look = LookBuilder::build($level, $said);
    expect($look->{$part}->{$field})->toEqual($value)->and($look->hash)->not->toBe($level->hash);
    foreach (array_diff(['type', 'box', 'spacing', 'connector'], [$part]) as $other) {
        expect($look->{$other})->toEqual($level->{$other});
    }
})->with([
    [['gap' => 80], 'spacing', 'gap', 80],
    [['reach' => 90], 'spacing', 'reach', 90],
    [['weight' => 'bold'], 'type', 'bold', true],
    [['slant' => 'slanted'], 'type', 'slanted', true],
    [['align' => 'right'], 'type', 'align', 'right'],
    [['ink' => 'text:kelp'], 'type', 'ink', 'text:kelp'],
    [['corner' => 0], 'box', 'corner', 0],
    [['width' => 300], 'box', 'width', 300],
    [['fill' => 'none'], 'box', 'fill', ''],
    [['edge' => 'none'], 'box', 'edge', ''],
    [['edgeThick' => 5], 'box', 'edgeThick', 5],
    [['edgeDash' => 'dotted'], 'box', 'edgeDash', 'dotted'],
    [['line' => 'corner'], 'connector', 'form', 'corner'],
    [['lineChalk' => 'ink'], 'connector', 'paint', 'ink'],
    [['lineDash' => 'dashed'], 'connector', 'dash', 'dashed'],
]);

it('writes light on a plate and dark elsewhere, unless a colour was said', function () {
    [$root, $first] = [Looks::standard()->level(0), Looks::standard()->level(1)];
    expect(LookBuilder::build($first, ['shape' => 'plate'])->type->ink)->toBe('plate-ink')
        ->and(LookBuilder::build($first, ['fill' => 'plate'])->type->softInk)->toBe('plate-ink')
        ->and(LookBuilder::build($root, ['fill' => 'slip'])->type->ink)->toBe('ink')
        ->and(LookBuilder::build($root, ['shape' => 'plain'])->type->ink)->toBe('ink')
        ->and(LookBuilder::build($root, ['ink' => 'soft'])->type->ink)->toBe('soft');
});

it('keeps a connector even or tapered, as thick as asked', function () {
    $level = Looks::standard()->level(1);
    $even = LookBuilder::build($level, ['lineThick' => 12, 'lineTaper' => 'even'])->connector;
    $tapered = LookBuilder::build($level, ['lineThick' => 12])->connector;
    expect([$even->thick, $even->thin])->toBe([12.0, 12.0])
        ->and($tapered->thick)->toBe(12.0)->and($tapered->thin)->toEqualWithDelta(12 * 5 / 9, 0.01);
});

it('has no spine where a shape has none', function () {
    foreach (Shapes::names() as $name) {
        $look = LookBuilder::build(Looks::standard()->level(1), ['shape' => $name]);
        $hasSpine = Shapes::called($name)->spine(80.0, 40.0, 4.0, 6.0, Growth::Right) !== '';
        expect($look->box->spine > 0)->toBe($hasSpine, $name)->and($look->box->isFull)->toBe(Shapes::called($name)->isFull());
    }
});

it('gives every shape a box no smaller than what stands in it', function (string $name) {
    $chance = new Chance(9);
    $shape = Shapes::called($name);
    for ($i = 0; $i < 200; $i++) {
        [$w, $h] = [(float) $chance->int(20, 900), (float) $chance->int(10, 900)];
        [$boxW, $boxH] = $shape->around($w, $h);
        expect($boxW)->toBeGreaterThanOrEqual($w)->and($boxH)->toBeGreaterThanOrEqual($h)
            ->and($shape->within($boxW))->toBeLessThanOrEqual($boxW)->toBeGreaterThan(0.0);
    }
})->with(Shapes::names());

it('finds the next colour that passes, and leaves one that does', function () {
    $ground = BoardTheme::Day->colours()['board'];
    expect(Contrast::passing('#222222', [$ground], 4.5))->toBe('#222222')
        ->and(Contrast::ratio(Contrast::passing('#e0c040', [$ground], 4.5), $ground))->toBeGreaterThanOrEqual(4.5)
        ->and(Contrast::ratio(Contrast::passing('#203040', [BoardTheme::Slate->colours()['board']], 3.0), BoardTheme::Slate->colours()['board']))->toBeGreaterThanOrEqual(3.0);
});

it('names every face in the page, and only those asked for in a file', function () {
    foreach (TypeFace::cases() as $face) {
        expect(TypeFace::ofCut($face->cut()))->toBe($face)
            ->and(str_contains(StyleSheet::css(), "\"{$face->family()}\""))->toBe($face !== TypeFace::Clear);
    }
    expect(StyleSheet::faces([TypeFace::Hand, TypeFace::Hand]))->toBe('.face-hand{font-family:"Kalam",sans-serif}');
});

it('makes each whole-map look once', function () {
    foreach (WholeLook::cases() as $whole) {
        expect(Looks::called($whole->value))->toBe(Looks::called($whole->value));
    }
    expect(Looks::called('no such look'))->toEqual(Looks::standard());
});

it('tells all that a look says, so that saying it makes the same look', function (int $seed) {
    $chance = new Chance($seed);
    $said = array_filter([
        'shape' => $chance->pick([null, ...Shapes::names()]), 'fill' => $chance->pick([null, 'none', 'slip', 'plate', 'tint:coral']), 'edge' => $chance->pick([null, 'none', 'ink']),
        'edgeThick' => $chance->pick([null, 5]), 'edgeDash' => $chance->pick([null, 'dotted']), 'corner' => $chance->pick([null, 0, 30]), 'face' => $chance->pick([null, ...TypeFace::names()]),
        'size' => $chance->pick([null, 9, 40]), 'weight' => $chance->pick([null, 'bold', 'regular']), 'slant' => $chance->pick([null, 'slanted']), 'ink' => $chance->pick([null, 'soft', 'text']),
        'align' => $chance->pick([null, 'right']), 'width' => $chance->pick([null, 200]), 'line' => $chance->pick([null, 'none', 'corner']), 'lineThick' => $chance->pick([null, 9]),
        'lineTaper' => $chance->pick([null, 'even', 'tapered']), 'lineDash' => $chance->pick([null, 'dashed']), 'lineChalk' => $chance->pick([null, 'ink']), 'gap' => $chance->pick([null, 3]), 'reach' => $chance->pick([null, 77]),
    ], fn (mixed $value): bool => $value !== null);
    $level = Looks::standard()->level($chance->int(1, 3));
    $values = LookBuilder::values(LookBuilder::build($level, $said));
    expect(array_keys($values))->toEqualCanonicalizing(array_keys(LookFields::all()))
        ->and(array_intersect_key($values, $said))->toEqualCanonicalizing($said);
    $again = LookBuilder::values(LookBuilder::build($level, array_filter($values, fn (mixed $value): bool => $value !== null)));
    expect($again)->toBe($values);
})->with(range(1, 60));

it('makes of any colour a chalk that is read, and offers what passes', function (int $seed) {
    $chance = new Chance($seed);
    $colour = sprintf('#%06x', $chance->int(0, 0xFFFFFF));
    foreach (Palette::trials($colour) as $name => $trial) {
        $board = BoardTheme::from($name);
        $papers = [$board->colours()['board'], $board->colours()['slip']];
        $least = fn (string $ink, array $grounds): float => min(array_map(fn (string $ground): float => Contrast::ratio($ink, $ground), $grounds));
        expect($trial['ratio'])->toEqualWithDelta($least($colour, $papers), 0.011)
            ->and($least($trial['line'], $papers))->toBeGreaterThanOrEqual(3.0)
            ->and($least($trial['text'], [...Palette::grounds($board), $trial['tint']]))->toBeGreaterThanOrEqual(4.5)
            ->and(Contrast::ratio($trial['tint'], $board->colours()['ink']))->toBeGreaterThanOrEqual(7.0)
            ->and($trial['line'] === $colour)->toBe($least($colour, $papers) >= 3.0);
    }
})->with(range(1, 60));
