<?php

declare(strict_types=1);

use ChalkTree\Map\Rank;
use Tests\Support\Chance;

it('finds a rank between any two, at the ends and in the middle, ten thousand times', function () {
    $chance = new Chance(7);
    $ranks = [Rank::between(null, null)];
    for ($i = 0; $i < 10_000; $i++) {
        $at = $chance->yes(30) ? 0 : ($chance->yes(30) ? count($ranks) : $chance->int(0, count($ranks)));
        $rank = Rank::between($ranks[$at - 1] ?? null, $ranks[$at] ?? null);
        array_splice($ranks, $at, 0, [$rank]);
    }
    $sorted = $ranks;
    sort($sorted, SORT_STRING);

    expect($sorted)->toBe($ranks)
        ->and(count(array_unique($ranks)))->toBe(count($ranks));
});

it('keeps ranks short when a list only grows at its end', function () {
    $ranks = Rank::run(null, null, 50_000);

    expect(max(array_map(strlen(...), $ranks)))->toBeLessThanOrEqual(5)
        ->and($ranks)->toBe(array_values(array_unique($ranks)));
});

it('gives several ranks in order between two', function () {
    $ranks = ['a0', ...Rank::run('a0', 'a1', 100), 'a1'];
    $sorted = $ranks;
    sort($sorted, SORT_STRING);

    expect($sorted)->toBe($ranks)->and(max(array_map(strlen(...), $ranks)))->toBeLessThan(6);
});

it('refuses what is not a rank and ranks without room between', function (?string $low, ?string $high) {
    Rank::between($low, $high);
})->with([['a1', 'a1'], ['a2', 'a1'], ['', null], ['b0', null], ['!', null]])->throws(InvalidArgumentException::class);
