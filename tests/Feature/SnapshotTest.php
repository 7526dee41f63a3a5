<?php

declare(strict_types=1);

use App\Store\MapStore;
use App\Store\Snapshots;
use ChalkTree\Map\Topic;
use ChalkTree\Map\TreeCheck;
use Illuminate\Support\Facades\Cache;
use Tests\Support\Chance;
use Tests\Support\RandomMaps;

beforeEach(function () {
    $this->actingAs($this->tove = $this->person());
});

it('has in memory what is in the tables, through random edits, undos, redos and views', function (int $seed) {
    $chance = new Chance(400 + $seed);
    $record = app(MapStore::class)->create($this->tove, RandomMaps::map($chance, 240));
    expect(app(Snapshots::class)->load($record))->toBeNull();
    for ($i = 0; $i < 25; $i++) {
        $map = $this->topics($record);
        $edits = array_map(fn (): array => match ($chance->int(1, 6)) {
            1 => ['name' => 'undo'],
            2 => ['name' => 'redo'],
            3 => ['name' => 'row.set', 'type' => 'look', 'topics' => [(string) $chance->pick(array_keys($map->all()))], 'fields' => ['width' => $chance->int(60, 400)]],
            default => RandomMaps::edit($chance, $map),
        }, range(1, $chance->int(1, 3)));
        $answer = $this->sendEdits($record, $edits, $record->refresh()->seq)->assertOk()->json();
        $record->refresh();
        if ($record->seq === 0) {
            continue;
        }
        $kept = app(Snapshots::class)->load($record);
        $there = $this->topics($record);
        // The first request reads the tables and leaves the rest to be written when it is answered.
        expect($kept)->not->toBeNull()
            ->and(RandomMaps::reading($kept))->toEqual(RandomMaps::reading($there))
            ->and(RandomMaps::contents($kept))->toEqual(RandomMaps::contents($there))
            ->and(TreeCheck::problems($kept))->toBe([])
            ->and($answer['seq'])->toBe($record->seq);
    }
})->with(range(1, 6));

it('has a map that was opened ready for the first edit', function () {
    $record = app(MapStore::class)->create($this->tove, RandomMaps::map(new Chance(9), 240));
    $this->getJson("/api/maps/{$record->id}")->assertOk();
    expect(RandomMaps::contents(app(Snapshots::class)->load($record)))->toEqual(RandomMaps::contents($this->topics($record)));
});

it('begins again with the tables where a part has gone from memory', function () {
    $record = app(MapStore::class)->create($this->tove, RandomMaps::map(new Chance(5), 240));
    $topics = array_map(strval(...), array_keys($this->topics($record)->all()));
    $this->sendEdits($record, [['name' => 'topic.retitle', 'topic' => $topics[100], 'title' => 'One']]);
    $kept = Cache::store('array')->get("map {$record->id}");
    foreach ($kept['versions'] as $number => $version) {
        Cache::store('array')->forget("map {$record->id} {$number} {$version}");
    }
    $this->sendEdits($record, [['name' => 'topic.retitle', 'topic' => $topics[101], 'title' => 'Two']], 1)->assertOk()->assertJsonPath('edits.0.status', 'done')->assertJsonPath('seq', 2);
    expect($this->topics($record)->topic($topics[101])->title)->toBe('Two');
    // From then on it is there again.
    $this->sendEdits($record, [['name' => 'topic.retitle', 'topic' => $topics[102], 'title' => 'Three']], 2);
    expect(app(Snapshots::class)->load($record->refresh())?->topic($topics[102])->title)->toBe('Three');
});

it('does not bring back from memory what was cleared from the trash', function () {
    $record = app(MapStore::class)->create($this->tove, RandomMaps::map(new Chance(6), 240));
    $gone = array_key_last($this->topics($record)->children($record->root));
    $this->sendEdits($record, [['name' => 'topic.remove', 'topics' => [$gone]]]);
    expect(app(Snapshots::class)->load($record->refresh())?->row(Topic::type(), $gone))->not->toBeNull();
    $this->deleteJson("/api/maps/{$record->id}/trash")->assertSuccessful();
    $this->sendEdits($record, [['name' => 'topic.restore', 'topics' => [$gone]]], 1)->assertJsonPath('edits.0.status', 'refused');
});

it('keeps nothing of edits of which all were wanted and one could not be', function () {
    $record = app(MapStore::class)->create($this->tove, RandomMaps::map(new Chance(7), 240));
    $topics = array_map(strval(...), array_keys($this->topics($record)->all()));
    $this->sendEdits($record, [['name' => 'topic.retitle', 'topic' => $topics[9], 'title' => 'First']]);
    $this->postJson("/api/maps/{$record->id}/edits", ['since' => 1, 'all' => true, 'edits' => [
        ['name' => 'topic.retitle', 'topic' => $topics[9], 'title' => 'Second'], ['name' => 'topic.retitle', 'topic' => '01m8a582a2bne8ty5r7rq05f6v', 'title' => 'None'],
    ]]);
    expect(app(Snapshots::class)->load($record->refresh())?->topic($topics[9])->title)->toBe('First');
    $this->sendEdits($record, [['name' => 'topic.caption', 'topics' => [$topics[9]], 'caption' => 'more']], 1);
    expect($this->topics($record)->topic($topics[9])->title)->toBe('First');
});

it('leaves nothing behind in memory that nobody needs any more', function () {
    $record = app(MapStore::class)->create($this->tove, RandomMaps::map(new Chance(8), 240));
    $topics = array_map(strval(...), array_keys($this->topics($record)->all()));
    for ($i = 0; $i < 8; $i++) {
        // Now one browser that has seen the last edit, now one that has not, which is answered without what is remembered.
        $this->sendEdits($record, [['name' => 'topic.retitle', 'topic' => $topics[$i + 20], 'title' => "Title {$i}"]], $i % 2 === 0 ? $i : $i - 1)->assertOk();
    }
    $there = array_count_values(array_map(fn (string $key): string => explode(' ', $key)[0], array_keys(Cache::store('array')->getStore()->all())));
    // A part for each number and what names them.
    expect($there['chalk_tree_map'] ?? $there['map'])->toBeGreaterThan(50)->toBeLessThanOrEqual(129)
        ->and($there['chalk_tree_layout'] ?? $there['layout'])->toBeGreaterThan(50)->toBeLessThanOrEqual(129);
});
