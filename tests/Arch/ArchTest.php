<?php

declare(strict_types=1);

use ChalkTree\Features;

arch('the core knows no framework and no application')
    ->expect('ChalkTree')
    ->not->toUse(['Illuminate', 'Laravel', 'App', 'Carbon', 'Eloquent', 'DB', 'env', 'config', 'app', 'request', 'PDO']);

arch('every file is strict')->expect(['ChalkTree', 'App'])->toUseStrictTypes();

arch('classes of the core are final unless made to be extended')
    ->expect('ChalkTree')->classes()->toBeFinal()->ignoring([ChalkTree\Refusal::class, ChalkTree\Map\FeatureRow::class]);

arch('rooms of the core keep to what stands below them')
    ->expect('ChalkTree\Text')->not->toUse(['ChalkTree\Arrange', 'ChalkTree\Edit', 'ChalkTree\Exchange', 'ChalkTree\Draw', 'ChalkTree\Map']);

arch('nothing is left behind from looking for mistakes')
    ->expect(['dd', 'dump', 'var_dump', 'ray', 'die', 'eval', 'exec', 'shell_exec', 'system', 'passthru'])->not->toBeUsed();

arch('controllers answer and leave the work to others')
    ->expect('App\Http\Controllers')->not->toUse('Illuminate\Database\Eloquent\Builder');

/** The engines that features may use beside the map; some of them keep a feature of their own. */
const ENGINES = ['Map', 'Edit', 'Text', 'Find', 'Paste', 'Arrange', 'Draw', 'Route', 'Face', 'Shape', 'Look', 'Exchange', 'Flow', 'Document', 'HandOver', 'CrossLink', 'Show', 'Ask', 'Calendar', 'Draft', 'Sign', 'Kind', 'Link'];

/** @return array<string, list<string>> the rooms of the core that the files of each room use */
function roomsUsed(): array
{
    $used = [];
    foreach ((array) glob(dirname(__DIR__, 2).'/core/*/*.php') as $file) {
        $room = basename(dirname((string) $file));
        preg_match_all('/^use ChalkTree\\\\(\w+)\\\\/m', (string) file_get_contents((string) $file), $m);
        $used[$room] = array_values(array_unique([...$used[$room] ?? [], ...array_diff($m[1], [$room])]));
    }

    return $used;
}

it('holds features apart: they use engines and not each other', function () {
    $rooms = array_map(fn (string $class): string => explode('\\', $class)[1], array_filter(array_keys(Features::all()), fn (string $class): bool => str_starts_with($class, 'ChalkTree\\')));
    $features = array_diff($rooms, ENGINES);
    expect($features)->not->toBe([]);
    foreach ([...$features, 'CrossLink'] as $room) {
        expect(array_diff(roomsUsed()[$room], ENGINES))->toBe([]);
    }
});

it('knows no feature where rows and edits are made', function () {
    $rows = array_map(fn (string $class): string => preg_quote($class), array_filter(Features::rows(), fn (string $class): bool => str_starts_with($class, 'ChalkTree\\')));
    foreach (['Map', 'Edit', 'Text', 'Find', 'Paste', 'Draw'] as $room) {
        foreach ((array) glob(dirname(__DIR__, 2)."/core/{$room}/*.php") as $file) {
            expect((string) file_get_contents((string) $file))->not->toMatch('/'.implode('|', $rows).'|ChalkTree\\\\(Features\\\\|\w+\\\\\w+Feature\b)/', (string) $file);
        }
    }
});

it('holds the features of the browser apart', function () {
    $folder = dirname(__DIR__, 2).'/resources/ts/features/';
    foreach ([...(array) glob("{$folder}*/*.*"), ...(array) glob("{$folder}*/*/*.*")] as $file) {
        $own = explode('/', substr((string) $file, strlen($folder)))[0];
        $up = substr_count(substr((string) $file, strlen($folder)), '/') === 1 ? '\\.\\.' : '\\.\\./\\.\\.';
        preg_match_all("~from '(?:@/features|{$up})/(\\w+)/~", (string) file_get_contents((string) $file), $m);
        expect(array_diff($m[1], [$own]))->toBe([], (string) $file);
    }
});
