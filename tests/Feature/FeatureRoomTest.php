<?php

declare(strict_types=1);

use App\Library\Trash;
use ChalkTree\Features;
use ChalkTree\Map\Ids;
use Illuminate\Support\Facades\DB;
use Tests\Support\Ties\TieFeature;

beforeEach(function () {
    Features::add(new TieFeature);
    $this->tove = $this->person();
    $this->actingAs($this->tove);
    $this->map = $this->mapOf($this->tove);
    $this->tie = Ids::next();
    $this->ends = ['from' => $this->id($this->map, 'Paper'), 'to' => $this->id($this->map, 'Boats')];
    $this->tied = fn (string $word = 'floats on') => $this->sendEdits($this->map, [['name' => 'row.set', 'type' => 'tie', 'row' => $this->tie, 'fields' => $this->ends + ['word' => $word]]], $this->map->fresh()->seq)->assertOk();
});

it('keeps rows, sends them and draws them', function () {
    $answer = ($this->tied)()->json();
    $row = ['type' => 'tie', 'id' => $this->tie, 'fields' => $this->ends + ['word' => 'floats on'], 'whole' => true, 'topics' => array_values($this->ends)];
    expect($answer['rows'])->toEqual([$row])
        ->and(array_column($answer['scene']['marks'], 'id'))->toBe([$this->tie])
        ->and($answer['undo'])->toBe('Changed the tie of 2 topics');
    $open = $this->getJson("/api/maps/{$this->map->id}")->assertOk()->json();
    expect($open['rows'])->toContainEqual($row)->and(array_column($open['scene']['marks'], 'id'))->toBe([$this->tie]);
});

it('draws a mark again when what it hangs on moves, from memory too, and takes it away', function () {
    $seq = ($this->tied)()->json('seq');
    for ($i = 0; $i < 3; $i++) {
        $answer = $this->sendEdits($this->map, [['name' => 'topic.retitle', 'topic' => $this->id($this->map, 'Willow'), 'title' => str_repeat("Willow\n", $i + 2)]], $seq)->assertOk();
        $open = $this->getJson("/api/maps/{$this->map->id}")->json('scene.marks');
        expect($answer->json('scene.marks'))->toBe($open);
        $this->map->refresh();
        $seq = $answer->json('seq');
        DB::table('topics')->where('map_id', $this->map->id)->where('title', 'like', 'Willow%')->update(['title' => 'Willow']);
    }
    $this->sendEdits($this->map, [['name' => 'topic.remove', 'topics' => [$this->ends['from']]]], $seq)->assertOk()
        ->assertJsonPath('scene.goneMarks', [$this->tie])->assertJsonPath('scene.marks', []);
    $back = $this->sendEdits($this->map, [['name' => 'undo']], $seq + 1)->assertOk()->json();
    expect(array_column($back['scene']['marks'], 'id'))->toBe([$this->tie])->and(array_column($back['rows'], 'type'))->toContain('tie');
});

it('undoes, redoes, compares and rehearses rows', function () {
    $edit = ['name' => 'row.set', 'type' => 'tie', 'row' => $this->tie, 'fields' => $this->ends + ['word' => 'carries']];
    $this->postJson("/api/maps/{$this->map->id}/rehearsal", ['edit' => $edit])->assertOk()->assertJsonPath('items.0.what', 'tie')->assertJsonPath('items.0.after', 'carries');
    ($this->tied)();
    $this->getJson("/api/maps/{$this->map->id}/history/0")->assertOk()->assertJsonPath('differences.*.title', ['Paper', 'Boats']);
    $this->sendEdits($this->map, [['name' => 'undo']], 1)->assertOk()->assertJsonPath('rows.0.fields', null);
    expect($this->topics($this->map)->living())->toBe([]);
    $this->sendEdits($this->map, [['name' => 'redo']], 2)->assertOk();
    expect($this->topics($this->map)->living())->toHaveCount(1);
});

it('finds topics by what features keep of them', function () {
    ($this->tied)('moors');
    $this->getJson('/api/quick?words=moors')->assertOk()->assertJsonPath('topics.0.title', 'Paper');
    ($this->tied)('drifts');
    $this->getJson('/api/quick?words=moors')->assertJsonPath('topics', []);
    $this->getJson('/api/quick?words=drifts')->assertJsonPath('topics.0.title', 'Paper');
    $this->postJson('/api/find', ['find' => ['text' => 'drift', 'case' => false, 'word' => false, 'pattern' => false]])->assertOk()->assertJsonPath('maps.0.hits.0.field', 'tie-word');
});

it('lets rows go for good with their topics, and carries them to a copy of the map', function () {
    ($this->tied)();
    $copy = $this->postJson("/api/maps/{$this->map->id}/duplicate")->assertCreated()->json('id');
    expect(DB::table('map_rows')->where('map_id', $copy)->count())->toBe(1);
    $this->sendEdits($this->map, [['name' => 'topic.remove', 'topics' => [$this->ends['from']]]], 1);
    expect(DB::table('map_rows')->where('map_id', $this->map->id)->count())->toBe(1);
    $this->app->make(Trash::class)->emptyBranches($this->map);
    expect(DB::table('map_rows')->where('map_id', $this->map->id)->count())->toBe(0)
        ->and(DB::table('map_rows')->where('map_id', $copy)->count())->toBe(1);
});
