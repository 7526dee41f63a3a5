<?php

declare(strict_types=1);

use ChalkTree\Ask\Column;
use ChalkTree\Ask\Heads;
use ChalkTree\Ask\Ranks;
use Tests\Support\Chance;

/* The order of rows, lines and heads. */

it('puts things in the order that comparing two of them gives, and those alike as they stood', function (int $seed) {
    $chance = new Chance($seed);
    $some = fn (): float|string|null => $chance->pick([null, 0.0, -2.5, 10.0, 9.0, 1e15, 'a', 'B', 'b10', 'b9', '2026-11-28', '10', '9', 'ä', '']);
    $only = $chance->pick([null, 'is_float', 'is_string']);
    $ranks = [];
    foreach (range(1, $chance->int(1, 40)) as $n) {
        $rank = $some();
        $ranks["t{$n}"] = $rank === null || $only === null || $only($rank) ? $rank : null;
    }
    foreach ([false, true] as $isDown) {
        $expected = array_keys($ranks);
        usort($expected, fn (string $a, string $b): int => $ranks[$a] === null || $ranks[$b] === null ? Column::compare($ranks[$a], $ranks[$b]) : ($isDown ? -1 : 1) * Column::compare($ranks[$a], $ranks[$b]));
        // Of mixed sorts the order of three can hang on which are compared first; there each stands once.
        $isMixed = count(array_unique(array_map(get_debug_type(...), array_filter($ranks, fn (mixed $rank): bool => $rank !== null)))) > 1;
        $is = Ranks::inOrder($ranks, $isDown);
        $isMixed ? expect($is)->toEqualCanonicalizing($expected) : expect($is)->toBe($expected);
    }
})->with(range(1, 40));

it('lets heads stand by what they are ranked, by their names, or as they are come upon', function () {
    $seen = [[['Willow', null]], [['Boats', null], ['Air', null]], [['Willow', null]]];
    expect(Heads::inOrder($seen, false))->toBe(['Air', 'Boats', 'Willow'])
        ->and(Heads::inOrder($seen, true))->toBe(['Willow', 'Boats', 'Air'])
        ->and(Heads::inOrder([[['Next week', 8.0]], [['Today', 3.0]], [['Next week', 1.0]], [['10', 20.0]]], false))->toBe(['Next week', 'Today', '10']);
});
