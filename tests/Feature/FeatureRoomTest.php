<?php

declare(strict_types=1);

use App\Find\FactSearch;
use App\Library\Trash;
use App\Models\FactRecord;
use App\Models\MapRecord;
use ChalkTree\Features;
use ChalkTree\Map\Ids;
use Illuminate\Support\Facades\Artisan;
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

it('asks for topics across maps by what features say of them, following the log', function () {
    $search = app(FactSearch::class);
    $other = $this->mapOf($this->tove);
    $weigh = fn (MapRecord $map, string $title, array $fields) => $this->sendEdits($map, [['name' => 'row.set', 'type' => 'weight', 'topics' => [$this->id($map, $title)], 'fields' => $fields]], $map->refresh()->seq)->assertOk();
    $weigh($this->map, 'Paper', ['grams' => 80, 'by' => '2031-03-02']);
    $weigh($this->map, 'Boats', ['grams' => 500]);
    $weigh($other, 'Paper', ['grams' => 90, 'by' => '2031-02-28']);
    $found = fn (string $field, mixed ...$asked): array => $search->find($this->tove, $field, ...$asked)->map(fn (FactRecord $fact): array => [$fact->map_id, $fact->topic_id, $fact->date ?? $fact->number ?? $fact->text])->all();
    [$paper, $boats, $second] = [$this->id($this->map, 'Paper'), $this->id($this->map, 'Boats'), $this->id($other, 'Paper')];
    expect($found('weight.grams', from: 85))->toBe([[$other->id, $second, 90], [$this->map->id, $boats, 500]])
        ->and($found('weight.grams', from: 80, to: 89))->toBe([[$this->map->id, $paper, 80]])
        ->and($found('weight.by', to: '2031-02-28'))->toBe([[$other->id, $second, '2031-02-28']])
        ->and($found('weight.by'))->toBe([[$other->id, $second, '2031-02-28'], [$this->map->id, $paper, '2031-03-02']])
        ->and($found('weight.guessed'))->toBe([])
        ->and($search->find($this->person('else@saltmere.example'), 'weight.by')->all())->toBe([]);
    $weigh($this->map, 'Paper', ['grams' => null]);
    $this->sendEdits($this->map, [['name' => 'topic.remove', 'topics' => [$boats]]], $this->map->refresh()->seq);
    expect($found('weight.grams'))->toBe([[$other->id, $second, 90]]);
    $this->sendEdits($this->map, [['name' => 'undo']], $this->map->refresh()->seq);
    expect($found('weight.grams', from: 100))->toBe([[$this->map->id, $boats, 500]]);
    $this->deleteJson("/api/maps/{$other->id}")->assertSuccessful();
    expect($found('weight.by'))->toBe([[$this->map->id, $paper, '2031-03-02']]);
    $weigh($this->map, 'Paper', ['by' => '2031-02-29']);
    expect($found('weight.by'))->toBe([[$this->map->id, $paper, '2031-03-02']]);
    $this->sendEdits($this->map, [['name' => 'row.set', 'type' => 'arrangement', 'topics' => [$paper], 'fields' => ['name' => 'grid']]], $this->map->refresh()->seq);
    expect($found('arrangement.name', text: 'grid'))->toBe([[$this->map->id, $paper, 'grid']]);
    foreach ([['arrangement.name', '--text', 'grid', 'grid'], ['weight.by', '--from', '2031-03-01', '2031-03-02']] as [$field, $option, $asked, $said]) {
        $this->artisan('find:facts', ['field' => $field, $option => $asked]);
        expect(trim(Artisan::output()))->toBe("{$this->map->id} {$paper} {$said}");
    }
});

it('knows nothing across maps of a row of which one topic lies in the trash', function () {
    ($this->tied)('moors');
    $found = fn (): array => app(FactSearch::class)->find($this->tove, 'tie.word', 'moors')->pluck('topic_id')->sort()->values()->all();
    $both = collect($this->ends)->sort()->values()->all();
    expect($found())->toBe($both);
    $this->sendEdits($this->map, [['name' => 'topic.remove', 'topics' => [$this->ends['to']]]], $this->map->refresh()->seq)->assertOk();
    expect($found())->toBe([]);
    $this->getJson('/api/quick?words=moors')->assertOk()->assertJsonPath('topics', []);
    $this->sendEdits($this->map, [['name' => 'undo']], $this->map->refresh()->seq)->assertOk();
    expect($found())->toBe($both);
    $this->getJson('/api/quick?words=moors')->assertJsonPath('topics.0.title', 'Paper');
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
