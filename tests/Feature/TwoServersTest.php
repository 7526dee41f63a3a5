<?php

declare(strict_types=1);

use App\Models\MapRecord;
use App\Store\MapStates;
use App\Store\MapStore;
use App\Store\Snapshots;
use ChalkTree\Map\Ids;
use ChalkTree\Map\TreeCheck;
use Illuminate\Support\Facades\DB;
use Tests\Support\Chance;
use Tests\Support\RandomMaps;

/* Two servers with memories of their own, between which requests go as it comes. */

beforeEach(function () {
    foreach ([1, 2] as $n) {
        config(["cache.stores.server{$n}" => ['driver' => 'array', 'serialize' => false]]);
    }
    $this->actingAs($this->tove = $this->person());
    /** Asks one of the two from now on, which knows nothing of the other's memory. */
    $this->at = function (int $server): void {
        config(['cache.snapshots' => "server{$server}"]);
        app()->forgetScopedInstances();
    };
    /** What a server has of a map in its memory, as it is now; null where it has nothing. */
    $this->kept = function (int $server, MapRecord $record): ?array {
        ($this->at)($server);
        $map = app(Snapshots::class)->load($record);

        return $map === null ? null : RandomMaps::contents($map);
    };
    /** A map as somebody who opens it gets it, without what is of the moment. */
    $this->opened = function (int $server, MapRecord $record): array {
        ($this->at)($server);

        return array_intersect_key($this->getJson("/api/maps/{$record->id}")->assertOk()->json(), array_flip(['seq', 'rows', 'scene', 'numbers', 'undo', 'redo']));
    };
});

it('never takes an old map for the new, whichever server edits after which', function (int $seed) {
    $chance = new Chance(900 + $seed);
    ($this->at)(1);
    $record = app(MapStore::class)->create($this->tove, RandomMaps::map($chance, 230));
    for ($i = 0; $i < 20; $i++) {
        $server = $chance->int(1, 2);
        ($this->at)($server);
        $map = $this->topics($record);
        $edits = array_map(fn (): array => match ($chance->int(1, 8)) {
            1 => ['name' => 'undo'],
            2 => ['name' => 'redo'],
            default => RandomMaps::edit($chance, $map),
        }, range(1, $chance->int(1, 3)));
        $this->sendEdits($record, $edits, $record->refresh()->seq)->assertOk();
        $record->refresh();
        $there = RandomMaps::contents($this->topics($record));
        // What it has is what is in the tables; what the other still has is of another state, and is not used.
        foreach ([1, 2] as $n) {
            expect(($this->kept)($n, $record) ?? $there)->toEqual($there);
        }
        expect(TreeCheck::problems($this->topics($record)))->toBe([]);
    }
    expect(($this->opened)(1, $record))->toEqual(($this->opened)(2, $record));
})->with(range(1, 6));

it('makes an edit once that is sent to one server, and again to the other because no answer came', function () {
    ($this->at)(1);
    $record = app(MapStore::class)->create($this->tove, RandomMaps::map(new Chance(3), 230));
    $edit = ['id' => Ids::next(), 'name' => 'topic.add', 'parent' => $record->root, 'topic' => ['id' => $topic = Ids::next(), 'title' => 'Once']];
    $first = $this->postJson("/api/maps/{$record->id}/edits", ['since' => 0, 'edits' => [$edit]])->assertOk()->json();
    ($this->at)(2);
    $again = $this->postJson("/api/maps/{$record->id}/edits", ['since' => 0, 'edits' => [$edit]])->assertOk()->json();
    expect($again['seq'])->toBe($first['seq'])->and($again['edits'][0]['id'])->toBe($edit['id'])->and($again['edits'][0]['refusal'] ?? null)->toBeNull();
    expect(count(array_filter($this->topics($record)->all(), fn (ChalkTree\Map\Topic $one): bool => $one->title === 'Once')))->toBe(1)->and($this->topics($record)->topic($topic)->parent)->toBe($record->root);
});

it('takes back by one server what was done by the other', function () {
    ($this->at)(1);
    $record = app(MapStore::class)->create($this->tove, RandomMaps::map(new Chance(4), 230));
    $before = RandomMaps::contents($this->topics($record));
    $this->sendEdits($record, [['name' => 'topic.retitle', 'topic' => $record->root, 'title' => 'By one']])->assertOk();
    ($this->at)(2);
    $this->sendEdits($record, [['name' => 'topic.retitle', 'topic' => $record->root, 'title' => 'By the other']], 1)->assertOk();
    foreach ([1, 2] as $server) {
        ($this->at)($server);
        $this->sendEdits($record, [['name' => 'undo']], $record->refresh()->seq)->assertOk()->assertJsonPath('edits.0.status', 'done');
    }
    $now = RandomMaps::contents($this->topics($record));
    expect($now)->toEqual($before);
});

it('names a state by the edit that led there, so that a number that came twice is two states', function () {
    ($this->at)(1);
    $record = app(MapStore::class)->create($this->tove, RandomMaps::map(new Chance(5), 230));
    $this->sendEdits($record, [['name' => 'topic.retitle', 'topic' => $record->root, 'title' => 'Kept in memory']])->assertOk();
    $state = app(MapStates::class)->read($record->refresh());
    expect(($this->kept)(1, $record))->not->toBeNull();
    // As after a backup was put back: the same number, by another edit.
    DB::table('edits')->where('map_id', $record->id)->update(['edit_id' => Ids::next()]);
    app()->forgetScopedInstances();
    expect(app(MapStates::class)->read($record->refresh()))->not->toBe($state)->and(($this->kept)(1, $record))->toBeNull();
});
