<?php

declare(strict_types=1);

use ChalkTree\Edit\Edits;
use ChalkTree\Map\ReadingOrder;
use ChalkTree\Map\TopicMap;
use ChalkTree\Refusal;
use Tests\Support\Chance;
use Tests\Support\Outline;
use Tests\Support\RandomMaps;

/* Which of two topics comes first, told without reading the map. */

/** @return list<string> */
function readingIds(TopicMap $map): array
{
    return array_map(strval(...), array_keys($map->all()));
}

it('has a topic before what is below it, and that before the next beside it', function () {
    $map = Outline::map("Festival\n\tLanterns\n\t\tPaper\n\t\tWillow\n\tBoats");
    $order = new ReadingOrder($map);
    $compare = fn (string $a, string $b): int => $order->compare(Outline::id($map, $a), Outline::id($map, $b));
    expect([$compare('Festival', 'Paper'), $compare('Paper', 'Lanterns'), $compare('Willow', 'Boats'), $compare('Willow', 'Paper'), $compare('Paper', 'Paper')])->toBe([-1, 1, -1, 1, 0]);
});

it('is the order in which a map is read, also after edits', function (int $seed) {
    $chance = new Chance(64_000 + $seed);
    $map = RandomMaps::map($chance, $chance->int(2, 60), loose: $seed % 2 === 0);
    for ($i = 0; $i < 12; $i++) {
        try {
            Edits::apply(RandomMaps::read(RandomMaps::edit($chance, $map)), $map, 5);
        } catch (Refusal) {
            continue;
        }
        $ids = readingIds($map);
        $order = new ReadingOrder($map);
        $shuffled = $ids;
        usort($shuffled, fn (string $a, string $b): int => strcmp(md5($a.$seed), md5($b.$seed)));
        usort($shuffled, $order->compare(...));
        expect($shuffled)->toBe($ids);
        // Put where it comes, one stands where it stood.
        $one = $chance->int(0, count($ids) - 1);
        $others = $ids;
        array_splice($others, $one, 1);
        expect($order->place($others, $ids[$one]))->toBe($one);
    }
})->with(range(1, 20));
