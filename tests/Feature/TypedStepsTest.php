<?php

declare(strict_types=1);

use App\Models\EditRecord;
use ChalkTree\Map\Ids;
use Tests\Support\Chance;
use Tests\Support\RandomMaps;

beforeEach(function () {
    $this->tove = $this->person();
    $this->actingAs($this->tove);
    $this->map = $this->mapOf($this->tove);
    $this->topic = $this->id($this->map, 'Boats');
    $this->note = fn (string $note, string $step): array => ['id' => Ids::next(), 'step' => $step, 'name' => 'topic.note', 'topics' => [$this->topic], 'note' => $note];
    $this->records = fn (): array => EditRecord::query()->where('map_id', $this->map->id)->orderBy('seq')->get()->map(fn (EditRecord $one): array => [$one->kind, $one->name, count($one->changes->all), $one->first_seq])->all();
});

it('makes one record of what was typed in pauses, once something else is done', function () {
    $step = Ids::next();
    $long = str_repeat('The ferry leaves at low water. ', 40);
    $edits = array_map(fn (int $n): array => ($this->note)($long.str_repeat('x', $n), $step), range(1, 4));
    foreach ($edits as $edit) {
        $this->sendEdits($this->map, [$edit])->assertOk();
    }
    expect(array_column(($this->records)(), 0))->toBe(['do', 'do', 'do', 'do']);
    $this->sendEdits($this->map, [['name' => 'topic.caption', 'topics' => [$this->topic], 'caption' => 'two']])->assertOk();
    expect(($this->records)())->toBe([['joined', 'topic.note', 0, null], ['joined', 'topic.note', 0, null], ['joined', 'topic.note', 0, null], ['do', 'topic.note', 1, 1], ['do', 'topic.caption', 1, null]])
        ->and($this->getJson("/api/maps/{$this->map->id}/history")->json('edits'))->toHaveCount(2);

    // One of them comes again, as after an answer that was lost.
    $this->sendEdits($this->map, [$edits[1]])->assertJsonPath('edits.0.status', 'repeated');
    $this->sendEdits($this->map, [['name' => 'undo'], ['name' => 'undo']])->assertOk();
    expect($this->topics($this->map)->topic($this->topic)->note)->toBe('');
    $this->sendEdits($this->map, [['name' => 'redo'], ['name' => 'redo']])->assertOk();
    expect($this->topics($this->map)->topic($this->topic)->note)->toBe($long.'xxxx');
});

it('answers a browser that saw part of it with everything, and the others with what they missed', function () {
    $step = Ids::next();
    $this->sendEdits($this->map, array_map(fn (string $note): array => ($this->note)($note, $step), ['a', 'ab', 'abc']))->assertOk();
    $this->sendEdits($this->map, [['name' => 'topic.caption', 'topics' => [$this->topic], 'caption' => 'two']])->assertOk();
    foreach ([1, 2] as $within) {
        $this->getJson("/api/maps/{$this->map->id}/edits?since={$within}")->assertJsonPath('scene.reset', true);
    }
    $this->getJson("/api/maps/{$this->map->id}/edits?since=0")->assertJsonPath('scene.reset', false)->assertJsonPath('rows.0.fields.note', 'abc');
    $this->getJson("/api/maps/{$this->map->id}/edits?since=3")->assertJsonPath('scene.reset', false)->assertJsonPath('rows.0.fields.caption', 'two')->assertJsonMissingPath('rows.0.fields.note');
});

it('joins nothing over what another step did in between, nor what is undone', function () {
    [$first, $second] = [Ids::next(), Ids::next()];
    $this->sendEdits($this->map, [($this->note)('a', $first), ['name' => 'topic.caption', 'topics' => [$this->topic], 'caption' => 'two'], ($this->note)('ab', $first), ($this->note)('abc', $second)])->assertOk();
    expect(array_column(($this->records)(), 0))->toBe(['do', 'do', 'do', 'do']);
    $this->sendEdits($this->map, [($this->note)('abcd', $second), ['name' => 'undo'], ['name' => 'redo'], ['name' => 'map.rename', 'title' => 'Named']])->assertOk();
    $this->sendEdits($this->map, array_fill(0, 4, ['name' => 'undo']))->assertOk();
    expect($this->topics($this->map)->topic($this->topic)->note)->toBe('');
});

it('gives back the start and the end, whatever is typed and undone', function (int $seed) {
    $chance = new Chance($seed);
    $ids = array_map(strval(...), array_keys($this->topics($this->map)->all()));
    $contents = fn (): array => array_map(fn (array $fields): array => array_diff_key($fields, ['changed' => 1]), RandomMaps::contents($this->topics($this->map))['topic']);
    $start = $contents();
    for ($i = 0; $i < 25; $i++) {
        $topic = $chance->pick($ids);
        [$name, $field] = $chance->pick([['topic.note', 'note'], ['topic.caption', 'caption'], ['topic.retitle', 'title']]);
        $which = $name === 'topic.retitle' ? ['topic' => $topic] : ['topics' => [$topic]];
        $step = Ids::next();
        $text = str_repeat($chance->words(3), $chance->int(0, 20));
        $edits = array_map(fn (int $n): array => ['name' => $name, 'step' => $step, $field => trim($text.$chance->words($n))] + $which, range(1, $chance->int(1, 5)));
        $this->sendEdits($this->map, $chance->yes(20) ? [...$edits, ['name' => 'undo'], ['name' => 'redo']] : $edits)->assertOk();
    }
    $end = $contents();
    for ($undone = 0; $this->sendEdits($this->map, [['name' => 'undo']])->json('edits.0.status') === 'done'; $undone++);
    expect($contents())->toEqual($start)->and($undone)->toBeGreaterThan(10);
    $this->sendEdits($this->map, array_fill(0, $undone, ['name' => 'redo']))->assertOk();
    expect($contents())->toEqual($end);
})->with(range(1, 6));
