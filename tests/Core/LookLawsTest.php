<?php

declare(strict_types=1);

use ChalkTree\Arrange\Layout;
use ChalkTree\Arrange\View;
use ChalkTree\Edit\Edits;
use ChalkTree\Edit\Recorder;
use ChalkTree\Look\LevelLook;
use ChalkTree\Look\LookFields;
use ChalkTree\Look\LookPlace;
use ChalkTree\Look\LookResolver;
use ChalkTree\Look\Looks;
use ChalkTree\Look\MapLook;
use ChalkTree\Look\NamedLook;
use ChalkTree\Look\TopicLook;
use ChalkTree\Map\Ids;
use ChalkTree\Map\TopicMap;
use ChalkTree\Rule\LookRule;
use Tests\Support\Chance;
use Tests\Support\RandomMaps;

/* What is said of looks, in so many places, comes out as one would reckon it by going over these places one after the other. */

/** A random map in which much is said of looks, and nothing follows the data. */
function dressedMap(Chance $chance): TopicMap
{
    $map = RandomMaps::map($chance, $chance->int(3, 40), loose: false);
    foreach ([LookRule::class, ChalkTree\Kind\TopicKind::class, ChalkTree\Task\Task::class] as $class) {
        foreach (array_keys($map->rowsOf($class)) as $id) {
            $map->drop($class::type(), (string) $id);
        }
    }
    foreach (array_keys($map->rowsOf(ChalkTree\Kind\Kind::class)) as $id) {
        $map->drop(ChalkTree\Kind\Kind::type(), (string) $id);
    }
    $map->put($named = NamedLook::fromFields(Ids::next(), ['name' => 'Loud', 'size' => 30, 'shape' => 'oval', 'weight' => 'bold']));
    foreach (array_map(strval(...), array_keys($map->all())) as $id) {
        if ($chance->yes(40)) {
            $map->put(TopicLook::fromFields($id, array_filter([
                'named' => $chance->yes(40) ? $named->id : null, 'size' => $chance->yes(30) ? $chance->int(10, 40) : null, 'shape' => $chance->yes(30) ? $chance->pick(['slip', 'oval', 'hexagon']) : null,
                'fill' => $chance->yes(30) ? $chance->pick(['slip', 'tint', 'none']) : null, 'corner' => $chance->yes(20) ? $chance->int(0, 40) : null,
            ], fn (mixed $value): bool => $value !== null)));
        }
    }

    return $map;
}

/** @return array<string, int> the level of each topic, of which there are looks */
function levelsOf(TopicMap $map): array
{
    return array_map(fn ($slip): int => $slip->level, Layout::of($map, new View)->slips());
}

/** @return array<string, string> the look of each topic, by a hash of all that it says */
function lookHashes(TopicMap $map): array
{
    return array_map(fn ($slip): string => bin2hex($slip->look->hash), Layout::of($map, new View)->slips());
}

it('lets what is said nearest to a topic hold, place by place', function (int $seed) {
    $chance = new Chance($seed);
    $map = dressedMap($chance);
    $looks = new LookResolver(Looks::standard());
    $looks->read($map);
    $ofMap = $map->rowsOf(MapLook::class);
    ksort($ofMap);
    $mapSays = array_merge(...array_map(fn (MapLook $look): array => $look->saying(), array_values($ofMap)));
    $ofLevels = [];
    $all = $map->rowsOf(LevelLook::class);
    ksort($all);
    foreach ($all as $row) {
        $ofLevels[$row->number('level')] = ($ofLevels[$row->number('level')] ?? []) + [];
        $ofLevels[$row->number('level')] = $row->saying() + $ofLevels[$row->number('level')];
    }
    foreach (levelsOf($map) as $id => $level) {
        $own = $map->row(TopicLook::type(), (string) $id);
        $ownSays = $own instanceof TopicLook ? $own->saying() : [];
        $named = isset($ownSays['named']) ? $map->row(NamedLook::type(), (string) $ownSays['named'])?->saying() ?? [] : [];
        $why = $looks->why((string) $id, $level);
        foreach (array_keys(LookFields::all()) as $field) {
            [$place, $value] = match (true) {
                isset($ownSays[$field]) => [LookPlace::Topic, $ownSays[$field]],
                isset($named[$field]) => [LookPlace::Named, $named[$field]],
                isset($ofLevels[$level][$field]) => [LookPlace::Level, $ofLevels[$level][$field]],
                isset($mapSays[$field]) => [LookPlace::Map, $mapSays[$field]],
                default => [null, null],
            };
            if ($place !== null && ! in_array($why[$field]['place'] ?? null, [LookPlace::Heading, LookPlace::Step], true)) {
                expect([$why[$field]['place'], $why[$field]['value']])->toBe([$place, $value], "{$field} of {$id}");
            } elseif ($place === null) {
                expect(in_array($why[$field]['place'] ?? LookPlace::Whole, [LookPlace::Whole, LookPlace::Heading, LookPlace::Step], true))->toBeTrue();
            }
        }
    }
})->with(range(1, 20));

it('looks as before where what was said is taken back, and says nothing of others', function (int $seed) {
    $chance = new Chance($seed);
    $map = dressedMap($chance);
    $before = lookHashes($map);
    $topic = (string) $chance->pick(array_keys($before));
    $size = $chance->int(60, 90);
    $changes = Edits::apply(Edits::read('row.set', ['type' => 'look', 'topics' => [$topic], 'fields' => ['size' => $size]]), $map);
    $after = lookHashes($map);
    expect($after[$topic])->not->toBe($before[$topic])->and(array_diff_key($after, [$topic => 1]))->toBe(array_diff_key($before, [$topic => 1]));
    $changes->reversed()->applyTo($map, new Recorder($map));
    expect(lookHashes($map))->toBe($before);
})->with(range(1, 15));

it('shares one look among all of a level of which nothing else is said', function (int $seed) {
    $chance = new Chance($seed);
    $map = dressedMap($chance);
    $slips = Layout::of($map, new View)->slips();
    $plain = [];
    foreach ($slips as $id => $slip) {
        if ($map->row(TopicLook::type(), (string) $id) === null) {
            $plain[$slip->level][] = $slip;
        }
    }
    foreach ($plain as $same) {
        foreach ($same as $slip) {
            // Not only alike: it is the very same, or a map of ten thousand topics would have as many.
            expect($slip->look === $same[0]->look || $slip->look->hash !== $same[0]->look->hash)->toBeTrue();
        }
    }
    // A level that says something says it of all of these.
    $level = (int) array_key_last($plain);
    Edits::apply(Edits::read('row.set', ['type' => 'level-look', 'row' => Ids::next(), 'fields' => ['level' => $level, 'size' => 55]]), $map);
    foreach (Layout::of($map, new View)->slips() as $id => $slip) {
        if ($slip->level === $level && $map->row(TopicLook::type(), (string) $id) === null) {
            expect($slip->look->type->size)->toBe(55.0);
        }
    }
})->with(range(1, 15));
