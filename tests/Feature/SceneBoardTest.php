<?php

declare(strict_types=1);

use App\Store\SceneBoard;
use ChalkTree\Arrange\Arrangements;
use ChalkTree\Arrange\Layout;
use ChalkTree\Arrange\Memory;
use ChalkTree\Arrange\View;
use ChalkTree\Draw\SlipData;
use ChalkTree\Edit\Edits;
use ChalkTree\Map\Ids;
use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;
use ChalkTree\Refusal;
use Tests\Support\Chance;
use Tests\Support\RandomMaps;

/** All slips of a map as they are sent, by id. */
function sentWhole(TopicMap $map, View $view): array
{
    $data = new SlipData;
    $slips = array_map(fn ($slip): array => $data->of($slip), Layout::of($map, $view)->scene()->slips);
    ksort($slips);

    return $slips;
}

it('tells from memory just what laying out anew would tell', function (int $seed) {
    $chance = new Chance(7000 + $seed);
    $map = RandomMaps::map($chance, $chance->int(10, 70), loose: $seed % 2 === 0);
    $view = new View;
    $board = new SceneBoard(null, $view);
    $slips = array_column($board->news($map, [])['slips'], null, 'id');
    $memory = $board->memory();
    $records = $memory?->changed() ?? [];
    $recalled = 0;
    for ($i = 0; $i < 80; $i++) {
        $seen = clone $map;
        $changes = [];
        for ($n = $chance->int(1, 3); $n > 0; $n--) {
            try {
                $made = Edits::apply(RandomMaps::read($chance->yes(15)
                    ? ['name' => 'row.set', 'type' => 'arrangement', 'topics' => [$chance->pick(array_map(strval(...), array_keys($map->all())))], 'fields' => ['name' => $chance->pick([null, ...Arrangements::names()])]]
                    : RandomMaps::edit($chance, $map)), $map, 5);
            } catch (Refusal) {
                continue;
            }
            $changes[] = $made;
        }
        $next = $view;
        $refolded = [];
        if ($chance->yes(25)) {
            $folded = array_values(array_filter(array_map(strval(...), array_keys($map->all())), fn (): bool => $chance->yes(15)));
            $next = View::folding($folded, $chance->yes(20) ? (string) $chance->pick(array_keys($map->all())) : $view->scope);
            $refolded = [...array_diff($folded, array_keys($view->folded)), ...array_diff(array_map(strval(...), array_keys($view->folded)), $folded)];
        }
        $kept = $memory === null ? null : Memory::lent(fn (string $id): ?string => $records[$id] ?? null);
        $recalled += $kept === null ? 0 : 1;
        $board = new SceneBoard($seen, $view, $kept);
        $news = $board->news($map, $changes, $next, array_values($refolded));
        $slips = array_column($news['slips'], null, 'id') + ($news['reset'] ? [] : $slips);
        $slips = array_diff_key($slips, array_flip($news['gone']));
        $view = $next;
        $memory = $board->memory();
        $records = array_filter(($memory?->changed() ?? []) + ($memory === $kept ? $records : []), is_string(...));
        ksort($slips);
        expect($slips)->toEqual(sentWhole($map, $view));
    }
    expect($recalled)->toBeGreaterThan(60);
})->with(range(1, 30));

it('goes down only where something has changed', function () {
    $map = RandomMaps::map(new Chance(3), 600, loose: false);
    $memory = Memory::of(Layout::of($map, new View)->slips());
    $topics = array_map(strval(...), array_keys($map->all()));
    $layout = Layout::recalling($memory, $map, new View, [$topics[300]]);
    $map->put(Topic::fromFields($loose = Ids::next(), ['parent' => null, 'rank' => 'z', 'title' => 'Adrift', 'x' => 0, 'y' => 0]));
    $beside = Layout::recalling($memory, $map, new View, [$loose]);

    expect(count($layout->slips()))->toBeLessThan(250)
        ->and(count($beside->slips()))->toBeLessThan(250)
        ->and($beside->slips()[$loose]->y)->toBe(Layout::of($map, new View)->slips()[$loose]->y)->toBeGreaterThan(0.0)
        ->and($memory->has($topics[300]))->toBeTrue()
        ->and(strlen(implode('', array_map(strval(...), $memory->changed()))))->toBe(600 * 64);
});
