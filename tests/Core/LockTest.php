<?php

declare(strict_types=1);

use ChalkTree\Edit\Recorder;
use ChalkTree\Link\Link;
use ChalkTree\Lock\Locked;
use ChalkTree\Lock\Locks;
use ChalkTree\Map\TopicMap;
use ChalkTree\Refusal;
use Tests\Support\Chance;
use Tests\Support\Outline;
use Tests\Support\RandomMaps;

/* What others may do with topics that the owner of a map has locked. */

/** A map whose first branch is locked, topic by topic. */
function lockedMap(): TopicMap
{
    $map = Outline::map("Boats\n\tWood\n\t\tOak\n\tIron\n\t\tNails\n\tTin\n");
    done($map, 'row.set', ['type' => 'lock', 'topics' => [titled($map, 'Wood'), titled($map, 'Oak')], 'fields' => ['how' => 'fixed']]);

    return $map;
}

/** Whether somebody else may do it. */
function mayOther(TopicMap $map, string $name, array $arguments): bool
{
    $locks = Locks::of($map);
    try {
        $locks?->check(ChalkTree\Edit\Edits::apply(ChalkTree\Edit\Edits::read($name, $arguments), clone $map));
    } catch (Locked) {
        return false;
    }

    return true;
}

it('keeps what a locked topic says, is, and where it hangs', function (callable $edit) {
    $map = lockedMap();
    [$name, $arguments] = $edit($map);
    expect(mayOther($map, $name, $arguments))->toBeFalse();
})->with([
    'its title' => [fn (TopicMap $map): array => ['topic.retitle', ['topic' => titled($map, 'Wood'), 'title' => 'Timber']]],
    'its note' => [fn (TopicMap $map): array => ['topic.note', ['topics' => [titled($map, 'Oak')], 'note' => 'Hard.']]],
    'its place in the tree' => [fn (TopicMap $map): array => ['topic.move', ['topics' => [titled($map, 'Oak')], 'parent' => titled($map, 'Iron')]]],
    'removing it' => [fn (TopicMap $map): array => ['topic.remove', ['topics' => [titled($map, 'Wood')]]]],
    'a stamp' => [fn (TopicMap $map): array => ['row.set', ['type' => 'stamps', 'topics' => [titled($map, 'Oak')], 'fields' => ['done' => true]]]],
    'its lock' => [fn (TopicMap $map): array => ['row.set', ['type' => 'lock', 'topics' => [titled($map, 'Oak')], 'fields' => ['how' => null]]]],
    'locking another' => [fn (TopicMap $map): array => ['row.set', ['type' => 'lock', 'topics' => [titled($map, 'Tin')], 'fields' => ['how' => 'fixed']]]],
    'a link out, put there' => [fn (TopicMap $map): array => ['row.set', ['type' => 'link', 'row' => '01m8jzzzzzzzzzzzzzzzzzz002', 'fields' => ['at' => titled($map, 'Oak'), 'to' => 'https://saltmere.example/oak']]]],
    'a link out, taken away' => [function (TopicMap $map): array {
        $map->put(Link::fromFields('01m8jzzzzzzzzzzzzzzzzzz003', ['at' => titled($map, 'Oak'), 'to' => 'https://saltmere.example/oak']));

        return ['row.remove', ['type' => 'link', 'rows' => ['01m8jzzzzzzzzzzzzzzzzzz003']]];
    }],
    'a link out, led elsewhere' => [function (TopicMap $map): array {
        $map->put(Link::fromFields('01m8jzzzzzzzzzzzzzzzzzz003', ['at' => titled($map, 'Oak'), 'to' => 'https://saltmere.example/oak']));

        return ['row.set', ['type' => 'link', 'row' => '01m8jzzzzzzzzzzzzzzzzzz003', 'fields' => ['to' => 'https://saltmere.example/tin']]];
    }],
    'parking it' => [fn (TopicMap $map): array => ['topic.park', ['topics' => [titled($map, 'Wood')]]]],
]);

it('lets others add to what is locked, tie it, copy it, and put it elsewhere on the board', function (callable $edit) {
    $map = lockedMap();
    [$name, $arguments] = $edit($map);
    expect(mayOther($map, $name, $arguments))->toBeTrue();
})->with([
    'a topic below' => [fn (TopicMap $map): array => ['topic.add', ['parent' => titled($map, 'Oak'), 'topic' => ['title' => 'Floats']]]],
    'a cross-link' => [fn (TopicMap $map): array => ['row.set', ['type' => 'crosslink', 'row' => '01m8jzzzzzzzzzzzzzzzzzz001', 'fields' => ['from' => titled($map, 'Oak'), 'to' => titled($map, 'Tin'), 'phrase' => 'beats']]]],
    'a copy' => [fn (TopicMap $map): array => ['topic.copy', ['topics' => [titled($map, 'Wood')], 'parent' => titled($map, 'Iron')]]],
    'a place' => [fn (TopicMap $map): array => ['row.set', ['type' => 'place', 'topics' => [titled($map, 'Wood')], 'fields' => ['x' => 10, 'y' => 4]]]],
    'a link out beside it' => [fn (TopicMap $map): array => ['row.set', ['type' => 'link', 'row' => '01m8jzzzzzzzzzzzzzzzzzz004', 'fields' => ['at' => titled($map, 'Tin'), 'to' => 'https://saltmere.example/tin']]]],
    'a copy with its link out' => [function (TopicMap $map): array {
        $map->put(Link::fromFields('01m8jzzzzzzzzzzzzzzzzzz003', ['at' => titled($map, 'Oak'), 'to' => 'https://saltmere.example/oak']));

        return ['topic.copy', ['topics' => [titled($map, 'Oak')], 'parent' => titled($map, 'Iron')]];
    }],
    'what is beside it' => [fn (TopicMap $map): array => ['topic.retitle', ['topic' => titled($map, 'Tin'), 'title' => 'Zinc']]],
    'all of the rest' => [fn (TopicMap $map): array => ['topic.remove', ['topics' => [titled($map, 'Iron'), titled($map, 'Tin')]]]],
]);

it('is nothing where nothing is locked', function () {
    expect(Locks::of(Outline::map("Boats\n\tWood\n")))->toBeNull();
});

it('leaves every locked topic as it was, whatever others try, and everything they did can be undone by them', function (int $seed) {
    $chance = new Chance($seed);
    $map = RandomMaps::map($chance, 20);
    $some = array_values(array_filter(array_keys($map->all()), fn (): bool => $chance->yes(30)));
    done($map, 'row.set', ['type' => 'lock', 'topics' => array_map(strval(...), $some ?: [$map->sheet()->root]), 'fields' => ['how' => 'fixed']]);
    $said = fn (): array => array_map(fn (string|int $id): array => array_diff_key($map->row('topic', (string) $id)->fields(), ['rank' => 1, 'side' => 1, 'sideHeld' => 1, 'x' => 1, 'y' => 1, 'changed' => 1]), $some);
    $before = $said();
    [$made, $refused] = [[], 0];
    for ($i = 0; $i < 150; $i++) {
        try {
            $locks = Locks::of($map);
            $changes = ChalkTree\Edit\Edits::apply(RandomMaps::read(RandomMaps::edit($chance, $map)), $map);
        } catch (Refusal) {
            continue;
        }
        try {
            $locks?->check($changes);
            $made[] = $changes;
        } catch (Locked) {
            $changes->reversed()->applyTo($map, new Recorder($map));
            $refused++;
        }
        expect($said())->toBe($before);
    }
    expect($refused)->toBeGreaterThan(0)->and(count($made))->toBeGreaterThan(10);
    foreach (array_reverse($made) as $changes) {
        $locks = Locks::of($map);
        $back = $changes->reversed();
        $back->applyTo($map, $recorder = new Recorder($map));
        $locks?->check($recorder->changes());
    }
    expect($said())->toBe($before);
})->with([1, 2, 3, 4, 5]);
