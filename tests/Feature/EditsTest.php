<?php

declare(strict_types=1);

use App\Models\Person;
use App\Store\MapAnswers;
use App\Store\MapStore;
use ChalkTree\Arrange\Layout;
use ChalkTree\Arrange\View;
use ChalkTree\Draw\SlipData;
use ChalkTree\Map\Ids;
use ChalkTree\Map\Topic;
use ChalkTree\Map\TreeCheck;
use ChalkTree\Number\Numbers;
use Tests\Support\Chance;
use Tests\Support\RandomMaps;

beforeEach(function () {
    $this->tove = $this->person();
    $this->actingAs($this->tove);
    $this->map = $this->mapOf($this->tove);
});

it('opens a map with its rows, its scene and the view that was kept', function () {
    $lanterns = $this->id($this->map, 'Lanterns');
    $this->putJson("/api/maps/{$this->map->id}/view", ['since' => 0, 'folded' => [$lanterns], 'outlineFolded' => [], 'chosen' => $lanterns, 'scope' => null, 'outlineScope' => null])->assertOk();
    $open = $this->getJson("/api/maps/{$this->map->id}")->assertOk()->json();

    expect($open['rows'])->toHaveCount(6)
        ->and($open['view'])->toEqual(['folded' => [$lanterns], 'outlineFolded' => [], 'chosen' => $lanterns, 'scope' => null, 'outlineScope' => null, 'showing' => false, 'filter' => null])
        ->and($open['scene']['slips'])->toHaveCount(3)
        ->and($open['scene']['reset'])->toBeTrue();
});

it('makes an edit, answers with the rows and slips that changed, and counts on', function () {
    $new = Ids::next();
    $answer = $this->sendEdits($this->map, [['name' => 'topic.add', 'parent' => $this->id($this->map, 'Boats'), 'topic' => ['id' => $new, 'title' => 'Ferry']]])->assertOk()->json();

    expect($answer['seq'])->toBe(1)
        ->and($answer['edits'][0]['status'])->toBe('done')
        ->and(array_column($answer['rows'], 'id'))->toBe([$new])
        ->and(array_column($answer['scene']['slips'], 'id'))->toContain($new)
        ->and($answer['undo'])->toBe('Added “Ferry”')
        ->and($this->topics($this->map)->topic($new)->title)->toBe('Ferry');
});

it('takes the same edit twice as one', function () {
    $edit = ['id' => Ids::next(), 'name' => 'topic.add', 'parent' => $this->map->root, 'topic' => ['title' => 'Once']];
    $this->sendEdits($this->map, [$edit, $edit])->assertOk()->assertJsonPath('edits.*.status', ['done', 'repeated']);
    $this->sendEdits($this->map, [$edit])->assertJsonPath('edits.0.status', 'repeated')->assertJsonPath('seq', 1);

    expect($this->topics($this->map)->all())->toHaveCount(6);
});

it('makes those of several edits that can be made, and says of the others why not', function () {
    $answer = $this->sendEdits($this->map, [
        ['name' => 'topic.retitle', 'topic' => $this->map->root, 'title' => 'New'],
        ['name' => 'topic.retitle', 'topic' => Ids::next(), 'title' => 'x'],
        ['name' => 'nonsense'],
        ['name' => 'topic.caption', 'topics' => [$this->map->root], 'caption' => 'c'],
    ])->assertOk();
    $answer->assertJsonPath('edits.*.status', ['done', 'refused', 'refused', 'done'])
        ->assertJsonPath('edits.1.refusal.code', 'missing_topic')->assertJsonPath('seq', 2);
});

it('makes all or none where that is asked', function () {
    $this->postJson("/api/maps/{$this->map->id}/edits", ['since' => 0, 'all' => true, 'edits' => [
        ['name' => 'topic.retitle', 'topic' => $this->map->root, 'title' => 'New'],
        ['name' => 'nonsense'],
    ]])->assertUnprocessable()->assertJson(['code' => 'invalid_edit', 'field' => 'name']);

    expect($this->topics($this->map)->root()->title)->toBe('Festival')->and($this->map->fresh()->seq)->toBe(0);
});

it('answers bodies that are not edits with a sentence', function (mixed $body) {
    $this->postJson("/api/maps/{$this->map->id}/edits", $body)->assertUnprocessable()->assertJsonStructure(['code', 'message', 'field']);
})->with([
    'nothing' => [[]],
    'no since' => [['edits' => [['name' => 'map.balance']]]],
    'a since below zero' => [['since' => -1, 'edits' => [['name' => 'map.balance']]]],
    'edits that are no list' => [['since' => 0, 'edits' => ['name' => 'map.balance']]],
    'too many edits' => [['since' => 0, 'edits' => array_fill(0, 501, ['name' => 'map.balance'])]],
    'no edits' => [['since' => 0, 'edits' => []]],
]);

it('takes gzipped requests', function () {
    $body = gzencode(json_encode(['since' => 0, 'edits' => [['name' => 'topic.retitle', 'topic' => $this->map->root, 'title' => str_repeat('Zipped ', 100)]]]));
    $answer = $this->call('POST', "/api/maps/{$this->map->id}/edits", content: $body, server: ['CONTENT_TYPE' => 'application/json', 'HTTP_CONTENT_ENCODING' => 'gzip', 'HTTP_ACCEPT_ENCODING' => 'gzip', 'HTTP_ACCEPT' => 'application/json']);
    $answer->assertOk();
    expect($answer->json('seq'))->toBe(1);

    $bomb = gzencode('{"since":0,"x":"'.str_repeat('a', 40_000_000).'"}');
    $this->call('POST', "/api/maps/{$this->map->id}/edits", content: $bomb, server: ['CONTENT_TYPE' => 'application/json', 'HTTP_CONTENT_ENCODING' => 'gzip', 'HTTP_ACCEPT' => 'application/json'])->assertStatus(400);
});

it('undoes and redoes step by step, after a new edit nothing more to redo', function () {
    $titles = fn (): string => $this->topics($this->map)->root()->title;
    foreach (['One', 'Two'] as $title) {
        $this->sendEdits($this->map, [['name' => 'topic.retitle', 'topic' => $this->map->root, 'title' => $title]]);
    }
    $this->sendEdits($this->map, [['name' => 'undo']])->assertJsonPath('redo', 'Titled “Two”')->assertJsonPath('undo', 'Titled “One”');
    expect($titles())->toBe('One');
    $this->sendEdits($this->map, [['name' => 'undo'], ['name' => 'undo']])->assertJsonPath('edits.*.status', ['done', 'refused'])->assertJsonPath('edits.1.refusal.code', 'nothing_to_undo');
    expect($titles())->toBe('Festival');
    $this->sendEdits($this->map, [['name' => 'redo']]);
    expect($titles())->toBe('One');
    $this->sendEdits($this->map, [['name' => 'topic.retitle', 'topic' => $this->map->root, 'title' => 'Three']])->assertJsonPath('redo', null);
    $this->sendEdits($this->map, [['name' => 'redo']])->assertJsonPath('edits.0.refusal.code', 'nothing_to_undo');
});

it('undoes edits of one step together', function () {
    $step = Ids::next();
    $new = Ids::next();
    $this->sendEdits($this->map, [
        ['name' => 'topic.add', 'step' => $step, 'parent' => $this->map->root, 'topic' => ['id' => $new]],
        ['name' => 'topic.retitle', 'step' => $step, 'topic' => $new, 'title' => 'Typed'],
    ]);
    $this->sendEdits($this->map, [['name' => 'undo']]);
    expect($this->topics($this->map)->has($new))->toBeFalse();
    $this->sendEdits($this->map, [['name' => 'redo']]);
    expect($this->topics($this->map)->topic($new)->title)->toBe('Typed');
});

it('keeps each person’s undo to themselves and refuses to run over the other’s work', function () {
    $answers = app(MapAnswers::class);
    $ines = $this->person('ines@saltmere.example');
    $edit = fn (Person $who, array $body): array => $answers->edit($this->map->fresh(), $who, 0, [$body]);
    $edit($this->tove, ['name' => 'topic.retitle', 'topic' => $this->map->root, 'title' => 'Tove’s']);
    $edit($ines, ['name' => 'topic.caption', 'topics' => [$this->map->root], 'caption' => 'Ines’s']);
    expect($edit($ines, ['name' => 'undo'])['edits'][0]['status'])->toBe('done')
        ->and($this->topics($this->map)->root()->title)->toBe('Tove’s');
    $edit($ines, ['name' => 'topic.retitle', 'topic' => $this->map->root, 'title' => 'Hers']);
    $refused = $edit($this->tove, ['name' => 'undo'])['edits'][0];
    expect($refused['refusal']['code'])->toBe('changed_since')->and($this->topics($this->map)->root()->title)->toBe('Hers');
});

it('shows the history and returns to an earlier number, which can itself be undone', function () {
    $start = RandomMaps::contents($this->topics($this->map));
    $this->sendEdits($this->map, [
        ['name' => 'topic.retitle', 'topic' => $this->map->root, 'title' => 'One'],
        ['name' => 'topic.remove', 'topics' => [$this->id($this->map, 'Boats')]],
        ['name' => 'topic.add', 'parent' => $this->map->root, 'topic' => ['title' => 'More']],
    ]);
    $end = RandomMaps::contents($this->topics($this->map));
    $history = $this->getJson("/api/maps/{$this->map->id}/history")->assertOk()->json('edits');
    expect(array_column($history, 'summary'))->toBe(['Added “More”', 'Removed “Boats”', 'Titled “One”'])
        ->and($history[0]['person'])->toBe('Tove');
    $this->sendEdits($this->map, [['name' => 'history.return', 'seq' => 0]])->assertJsonPath('edits.0.status', 'done');
    expect(RandomMaps::contents($this->topics($this->map)))->toEqual($start);
    $this->sendEdits($this->map, [['name' => 'undo']]);
    expect(RandomMaps::contents($this->topics($this->map)))->toEqual($end);
    $this->sendEdits($this->map, [['name' => 'history.return', 'seq' => 99]])->assertJsonPath('edits.0.status', 'refused');
});

it('gives versions names, which are found again, changed and taken away', function () {
    $this->sendEdits($this->map, [['name' => 'topic.retitle', 'topic' => $this->map->root, 'title' => 'One'], ['name' => 'topic.retitle', 'topic' => $this->map->root, 'title' => 'Two']])->assertOk();
    $call = fn (int|string $seq, array $body) => $this->putJson("/api/maps/{$this->map->id}/history/{$seq}/name", $body);
    $call(0, ['name' => 'How it began'])->assertOk();
    $answer = $call(1, ['name' => ' As the printer had it '])->assertOk();
    expectShape('VersionsAnswer', json_decode($answer->getContent()));
    expect(array_map(fn (array $one): array => [$one['seq'], $one['name']], $answer->json('versions')))->toBe([[1, 'As the printer had it'], [0, 'How it began']]);
    $call(1, ['name' => 'Printed'])->assertOk();
    $call(0, ['name' => null])->assertOk();
    $listed = $this->getJson("/api/maps/{$this->map->id}/history")->assertOk();
    expectShape('HistoryAnswer', json_decode($listed->getContent()));
    expect(array_column($listed->json('versions'), 'name', 'seq'))->toBe([1 => 'Printed']);
    // What the map says is the same, and so is its number.
    expect($this->map->fresh()->seq)->toBe(2);
    $call(3, ['name' => 'Not yet'])->assertUnprocessable()->assertJsonPath('field', 'seq');
    foreach ([[], ['name' => ['x']], ['name' => str_repeat('a', 101)], ['name' => "a\nb"]] as $body) {
        $call(1, $body)->assertUnprocessable();
    }
    $this->flushSession();
    $this->actingAs($this->person('stranger@saltmere.example'));
    $call(1, ['name' => 'Mine'])->assertNotFound();
    // With the map its names go.
    $this->map->delete();
    expect(App\Models\NamedVersion::query()->count())->toBe(0);
});

it('lists removed branches and restores them', function () {
    $lanterns = $this->id($this->map, 'Lanterns');
    $this->sendEdits($this->map, [['name' => 'topic.remove', 'topics' => [$lanterns]]])->assertJsonPath('rows.0.fields', null);
    $this->getJson("/api/maps/{$this->map->id}/trash")->assertExactJson(['branches' => [['id' => $lanterns, 'title' => 'Lanterns', 'topics' => 3]]]);
    $this->sendEdits($this->map, [['name' => 'topic.restore', 'topics' => [$lanterns]]], since: 1)->assertJsonCount(3, 'rows');
    $this->getJson("/api/maps/{$this->map->id}/trash")->assertExactJson(['branches' => []]);
});

it('tells a browser that is too far behind everything, and one that is not only what it missed', function () {
    $file = (string) tempnam(sys_get_temp_dir(), 'edits');
    file_put_contents($file, json_encode(array_map(fn (int $n): array => ['name' => 'topic.retitle', 'topic' => $this->map->root, 'title' => "Title {$n}"], range(1, 301))));
    expect($this->artisan('map:edit', ['id' => $this->map->id, 'file' => $file, '--owner' => $this->tove->email]))->toBe(0);
    unlink($file);
    $this->getJson("/api/maps/{$this->map->id}/edits?since=0")->assertOk()->assertJsonPath('scene.reset', true)->assertJsonCount(6, 'rows')->assertJsonPath('seq', 301);
    $this->getJson("/api/maps/{$this->map->id}/edits?since=1")->assertOk()->assertJsonPath('scene.reset', false)->assertJsonCount(1, 'rows')->assertJsonPath('rows.0.fields.title', 'Title 301');
});

it('tells a browser that is behind what it missed, and one with a number that never was everything', function () {
    $this->sendEdits($this->map, [['name' => 'topic.retitle', 'topic' => $this->map->root, 'title' => 'New']]);
    $this->getJson("/api/maps/{$this->map->id}/edits?since=0")->assertOk()->assertJsonPath('rows.0.fields.title', 'New')->assertJsonPath('scene.reset', false);
    $this->getJson("/api/maps/{$this->map->id}/edits?since=1")->assertJsonPath('rows', [])->assertJsonPath('scene.slips', []);
    $this->getJson("/api/maps/{$this->map->id}/edits?since=7")->assertJsonPath('scene.reset', true)->assertJsonCount(6, 'rows');
});

it('lays the whole scene out anew when the arrangement changes', function () {
    $this->sendEdits($this->map, [['name' => 'map.arrange', 'arrangement' => 'rightward']])
        ->assertJsonPath('scene.reset', true)->assertJsonPath('scene.arrangement', 'rightward')->assertJsonCount(5, 'scene.slips');
});

it('refuses views that are none', function (array $view) {
    $this->putJson("/api/maps/{$this->map->id}/view", $view + ['since' => 0, 'folded' => [], 'outlineFolded' => [], 'chosen' => null, 'scope' => null, 'outlineScope' => null])->assertUnprocessable();
})->with([[['folded' => ['x']]], [['folded' => 'x']], [['chosen' => '<b>']], [['outlineFolded' => null]], [['scope' => 'x']], [['outlineScope' => 3]]]);

it('keeps database, memory and two browsers alike through random edits, undos, redos and folding', function (int $seed) {
    $chance = new Chance($seed);
    $record = app(MapStore::class)->create($this->tove, RandomMaps::map($chance, 25));
    $browsers = [];
    foreach ([0, 1] as $b) {
        $browsers[$b] = $this->getJson("/api/maps/{$record->id}")->json();
        $browsers[$b]['rows'] = array_column(array_filter($browsers[$b]['rows'], isOfMapOrTopic(...)), null, 'id');
        $browsers[$b]['slips'] = array_column($browsers[$b]['scene']['slips'], null, 'id');
    }
    $folded = [];
    $scope = null;
    for ($i = 0; $i < 60; $i++) {
        $map = $this->topics($record);
        $b = $chance->int(0, 1);
        $edits = array_map(fn (): array => match ($chance->int(1, 5)) {
            1 => ['name' => 'undo'],
            2 => ['name' => $chance->pick(['redo', 'undo'])],
            default => RandomMaps::edit($chance, $map),
        }, range(1, $chance->int(1, 3)));
        $since = $browsers[$b]['seq'];
        if ($chance->yes(15)) {
            $folded = array_values(array_filter(array_map(strval(...), array_keys($map->all())), fn (): bool => $chance->yes(10)));
            $scope = $chance->yes(40) ? (string) $chance->pick(array_keys($map->all())) : null;
            // Folding concerns both browsers of this person, but only the one that asks hears of it at once.
            $b = 0;
            $browsers[1] = null;
            $answer = $this->putJson("/api/maps/{$record->id}/view", ['since' => $browsers[0]['seq'], 'folded' => $folded, 'outlineFolded' => [], 'chosen' => null, 'scope' => $scope, 'outlineScope' => null])->assertOk()->json();
        } else {
            $answer = $this->sendEdits($record, $edits, $since)->assertOk()->json();
        }
        $browsers[$b] = follow($browsers[$b], $answer);
        if ($browsers[1] === null) {
            $browsers[1] = $browsers[0];
        }
        $map = $this->topics($record);
        expect(TreeCheck::problems($map))->toBe([]);
        $rows = [];
        foreach ($map->everything() as $id => $topic) {
            $rows[$id] = array_diff_key($topic->fields(), ['removed' => 1]);
        }
        $blank = ['parent' => null] + array_diff_key(Topic::BLANK, ['removed' => 1]);
        $seen = array_map(fn (array $row): array => $row['fields'] + $blank, array_filter($browsers[$b]['rows'], fn (array $row): bool => $row['type'] === 'topic'));
        ksort($rows);
        ksort($seen);
        expect($seen)->toEqual($rows);
        $data = new SlipData;
        $slips = array_map(fn ($slip): array => json_decode(json_encode($data->of($slip)), true), Layout::of($map, View::folding($folded, $scope))->scene()->slips);
        ksort($slips);
        ksort($browsers[$b]['slips']);
        expect($browsers[$b]['numbers'])->toEqual(Numbers::of($map));
        expect($browsers[$b]['slips'])->toEqual($slips);
    }
})->with(range(1, 8));

/** What a browser does with an answer. */
function follow(array $browser, array $answer): array
{
    $browser['seq'] = $answer['seq'];
    $browser['numbers'] = $answer['numbers'] ?? $browser['numbers'];
    if ($answer['scene']['reset']) {
        $browser['slips'] = [];
    }
    foreach (array_filter($answer['rows'], isOfMapOrTopic(...)) as $row) {
        if ($row['fields'] === null) {
            unset($browser['rows'][$row['id']]);
        } else {
            $browser['rows'][$row['id']] = ['type' => $row['type'], 'id' => $row['id'], 'fields' => $row['fields'] + (isset($row['whole']) ? [] : $browser['rows'][$row['id']]['fields'] ?? [])];
        }
    }
    foreach ($answer['scene']['slips'] as $slip) {
        $browser['slips'][$slip['id']] = $slip;
    }
    $browser['slips'] = array_diff_key($browser['slips'], array_flip($answer['scene']['gone']));

    return $browser;
}
