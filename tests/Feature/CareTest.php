<?php

declare(strict_types=1);

use App\Find\Indexer;
use App\Find\WordIndex;
use App\Find\WordSearch;
use App\Limits\Alone;
use App\Models\MapRecord;
use App\Models\Person;
use App\Store\EditBody;
use App\Store\MapEditing;
use App\Store\MapStore;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\Exchange\JsonBounds;
use ChalkTree\Map\Ids;
use ChalkTree\Map\Sheet;
use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use Tests\Support\RandomMaps;

beforeEach(function () {
    $this->tove = $this->person();
    $this->actingAs($this->tove);
    $this->map = $this->mapOf($this->tove);
});

it('answers with the whole map where what was missed has been cleared from the trash since', function () {
    $this->sendEdits($this->map, [['name' => 'topic.retitle', 'topic' => $paper = $this->id($this->map, 'Paper'), 'title' => 'Tissue']]);
    $this->sendEdits($this->map, [['name' => 'topic.remove', 'topics' => [$this->id($this->map, 'Lanterns')]]], 1);
    $this->deleteJson("/api/maps/{$this->map->id}/trash")->assertOk()->assertJsonPath('topics', 3);
    $boats = $this->id($this->map, 'Boats');

    $news = $this->getJson("/api/maps/{$this->map->id}/edits?since=0")->assertOk()->json();
    $edit = $this->sendEdits($this->map, [['name' => 'topic.retitle', 'topic' => $boats, 'title' => 'Ships']], 1)->assertOk()->json();
    $view = $this->putJson("/api/maps/{$this->map->id}/view", ['since' => 1, 'folded' => [], 'outlineFolded' => [], 'chosen' => null, 'scope' => null, 'outlineScope' => null])->assertOk()->json();

    foreach ([$news, $edit, $view] as $answer) {
        expect($answer['scene']['reset'])->toBeTrue()
            ->and(array_column($answer['rows'], 'id'))->toContain('map', $boats)->not->toContain($paper)
            // The sheet, two topics, and the turn that the second branch keeps among the chalks.
            ->and(array_column($answer['rows'], 'type'))->toEqualCanonicalizing(['map', 'topic', 'topic', 'chalk-turn']);
    }
    expect($edit['edits'][0]['status'])->toBe('done');
    // Whoever has missed nothing of what is gone still gets only what is new.
    $this->sendEdits($this->map, [['name' => 'topic.retitle', 'topic' => $boats, 'title' => 'Boats']], 3)->assertOk()->assertJsonPath('scene.reset', false);
});

it('undoes a step that is named only if it is the latest', function () {
    $step = Ids::next();
    $this->sendEdits($this->map, [['name' => 'topic.add', 'step' => $step, 'parent' => $this->map->root, 'topic' => ['title' => '']]]);
    $this->sendEdits($this->map, [['name' => 'topic.retitle', 'topic' => $boats = $this->id($this->map, 'Boats'), 'title' => 'Ships']]);
    $this->sendEdits($this->map, [['name' => 'undo', 'of' => $step, 'forget' => true]])
        ->assertJsonPath('edits.0.status', 'refused')->assertJsonPath('edits.0.refusal.code', 'changed_since');
    expect($this->topics($this->map)->topic($boats)->title)->toBe('Ships');

    $this->sendEdits($this->map, [['name' => 'undo']]);
    $this->sendEdits($this->map, [['name' => 'undo', 'of' => $step, 'forget' => true]])->assertJsonPath('edits.0.status', 'done')->assertJsonPath('redo', 'Titled “Ships”');
    expect($this->topics($this->map)->everything())->toHaveCount(5);
    foreach (['no id', 7, null] as $of) {
        $this->sendEdits($this->map, [['name' => 'undo', 'of' => $of]])->assertJsonPath('edits.0.status', 'refused');
    }
    $this->sendEdits($this->map, [['name' => 'undo', 'forget' => 'yes']])->assertJsonPath('edits.0.refusal.field', 'forget');
    $this->sendEdits($this->map, [['name' => 'undo', 'other' => 1]])->assertJsonPath('edits.0.refusal.field', 'other');
});

it('brings back first what was undone last, even where one step is wound into another', function () {
    $step = Ids::next();
    $boats = $this->id($this->map, 'Boats');
    $title = fn (): string => $this->topics($this->map)->topic($boats)->title.'/'.$this->topics($this->map)->topic($boats)->caption;
    $this->sendEdits($this->map, [['name' => 'topic.retitle', 'step' => $step, 'topic' => $boats, 'title' => 'A']]);
    $this->sendEdits($this->map, [['name' => 'topic.caption', 'topics' => [$boats], 'caption' => 'between']]);
    $this->sendEdits($this->map, [['name' => 'topic.retitle', 'step' => $step, 'topic' => $boats, 'title' => 'B']]);

    $this->sendEdits($this->map, [['name' => 'undo']]);
    expect($title())->toBe('Boats/between');
    $this->sendEdits($this->map, [['name' => 'undo']])->assertJsonPath('redo', 'Changed the caption of “A”');
    expect($title())->toBe('Boats/');
    $this->sendEdits($this->map, [['name' => 'redo']]);
    expect($title())->toBe('Boats/between');
    $this->sendEdits($this->map, [['name' => 'redo']])->assertJsonPath('redo', null);
    expect($title())->toBe('B/between');
});

it('takes an edit that changes nothing for no step, and its repeat for no news', function () {
    $boats = $this->id($this->map, 'Boats');
    $this->sendEdits($this->map, [['name' => 'topic.retitle', 'topic' => $boats, 'title' => 'Ships']]);
    $this->sendEdits($this->map, [['name' => 'undo']]);
    $same = ['id' => Ids::next(), 'name' => 'topic.retitle', 'topic' => $boats, 'title' => 'Boats'];
    $this->sendEdits($this->map, [$same])->assertJsonPath('edits.0.status', 'done')
        ->assertJsonPath('redo', 'Titled “Ships”')->assertJsonPath('undo', null);
    $this->sendEdits($this->map, [['name' => 'redo']])->assertJsonPath('edits.0.status', 'done');
    // Sent again, as after an answer that was lost, it must not run over what came since.
    $this->sendEdits($this->map, [$same])->assertJsonPath('edits.0.status', 'repeated');
    expect($this->topics($this->map)->topic($boats)->title)->toBe('Ships')
        ->and(array_column($this->getJson("/api/maps/{$this->map->id}/history")->json('edits'), 'summary'))->toBe(['Redid: Titled “Ships”', 'Undid: Titled “Ships”', 'Titled “Ships”']);
});

it('loads every field that it saves', function () {
    $root = Ids::next();
    $fields = ['y' => 40, 'x' => 12, 'side' => 'left', 'sideHeld' => true, 'caption' => 'c', 'note' => 'n', 'changed' => 99, 'column' => Ids::next(), 'parked' => Ids::next()];
    $topics = [new Topic($root, null, 'a0', 'R')];
    foreach (array_keys($fields) as $i => $name) {
        $topics[] = (new Topic(Ids::next(), $name === 'parked' ? null : $root, "a{$i}", $name))->with([$name => $fields[$name]]);
    }
    $map = new TopicMap([new Sheet('T', $root, 'rightward'), ...$topics]);
    $record = $this->app->make(MapStore::class)->create($this->tove, $map);

    expect(RandomMaps::contents($this->topics($record)))->toEqual(RandomMaps::contents($map));
});

it('counts what it replaced, not what it was asked to', function () {
    $paper = $this->id($this->map, 'Paper');
    $ask = fn (array $keys, bool $pattern = false) => $this->postJson('/api/replace', ['find' => ['text' => 'Paper', 'pattern' => $pattern], 'with' => 'Tissue', 'hits' => [$this->map->id => $keys]]);
    $ask(["{$paper}.title.5", "{$paper}.note.0"])->assertOk()->assertJson(['maps' => 0, 'places' => 0]);
    $ask([Ids::next().'.title.0', 'nonsense'])->assertOk()->assertJson(['maps' => 0, 'places' => 0]);
    expect($this->getJson("/api/maps/{$this->map->id}/edits?since=2")->json('undo'))->toBeNull();
    $ask(["{$paper}.title.0"], pattern: true)->assertOk()->assertJson(['maps' => 1, 'places' => 1]);
    $ask(["{$paper}.title.0"])->assertOk()->assertJson(['places' => 0]);
});

it('makes one map of a request that is sent twice', function () {
    [$a, $b, $c] = [Ids::next(), Ids::next(), Ids::next()];
    foreach ([201, 200] as $status) {
        $this->call('POST', "/api/maps/import?name=x.md&id={$a}", content: "# X\n", server: ['HTTP_ACCEPT' => 'application/json'])->assertStatus($status)->assertJson(['id' => $a]);
        $this->postJson('/api/maps', ['id' => $b, 'starter' => 'week-ahead'])->assertStatus($status)->assertJson(['id' => $b]);
        $this->postJson("/api/maps/{$this->map->id}/duplicate", ['id' => $c])->assertStatus($status)->assertJson(['id' => $c]);
    }
    expect(MapRecord::query()->count())->toBe(4);
    $this->postJson('/api/maps', ['id' => 'x'])->assertUnprocessable()->assertJsonPath('field', 'id');
    $this->postJson('/api/maps', ['id' => ['x']])->assertUnprocessable()->assertJsonPath('field', 'id');
    $this->flushSession();
    $this->actingAs($this->person('ines@saltmere.example'))->postJson('/api/maps', ['id' => $a])->assertUnprocessable()->assertJsonPath('field', 'id');
});

it('copies, shows the past of and takes in branches as deep as can be', function () {
    $draft = new TopicDraft('end');
    for ($i = 0; $i < 900; $i++) {
        $draft = new TopicDraft("{$i}", children: [$draft]);
    }
    $map = $this->mapOf($this->tove, new TopicDraft('R', children: [$draft]));
    $top = $this->id($map, '899');
    $copy = $this->postJson("/api/maps/{$map->id}/copy", ['topics' => [$top]])->assertOk();
    $past = $this->getJson("/api/maps/{$map->id}/history/0/branch/{$top}")->assertOk();
    $topics = json_decode($copy->getContent(), true, 4096)['topics'];
    expect(json_decode($past->getContent(), true, 4096)['topics'])->toBe($topics);

    $other = $this->mapOf($this->tove);
    $body = json_encode(['since' => 0, 'edits' => [['id' => Ids::next(), 'name' => 'topic.add-many', 'parent' => $other->root, 'topics' => $topics]]], depth: 8192);
    $server = ['CONTENT_TYPE' => 'application/json', 'HTTP_ACCEPT' => 'application/json'];
    $this->call('POST', "/api/maps/{$other->id}/edits", content: $body, server: $server)->assertOk()->assertJsonPath('edits.0.status', 'done');
    expect($this->topics($other)->everything())->toHaveCount(906);
    $this->call('POST', "/api/maps/{$other->id}/edits", content: str_repeat('{"since":', 5000).'1'.str_repeat('}', 5000), server: $server)->assertStatus(400)->assertJsonPath('code', 'unreadable');
});

it('asks neither for the map nor for the lock where there is no news', function () {
    // The first request of a session notes it down.
    $this->getJson("/api/maps/{$this->map->id}/edits?since=0")->assertOk();
    DB::enableQueryLog();
    $this->getJson("/api/maps/{$this->map->id}/edits?since=0")->assertOk()->assertJson(['seq' => 0, 'rows' => [], 'scene' => ['reset' => false]]);
    $queries = array_column(DB::getQueryLog(), 'query');
    DB::disableQueryLog();
    expect(array_filter($queries, fn (string $query): bool => str_contains($query, 'topics') || str_contains($query, 'update')))->toBe([])
        ->and(count($queries))->toBeLessThan(8);
});

it('matches patterns before it holds a map', function () {
    $edit = EditBody::read(['name' => 'text.replace', 'find' => ['text' => 'Pap.r', 'pattern' => true], 'with' => 'Tissue']);
    $edit->prepare($this->topics($this->map));
    expect($edit->isPrepared())->toBeTrue();
    $this->sendEdits($this->map, [['name' => 'text.replace', 'find' => ['text' => 'Pap.r', 'pattern' => true], 'with' => 'Tissue']])->assertJsonPath('edits.0.status', 'done');
    expect($this->id($this->map, 'Tissue'))->not->toBe('');

    // While one of a person's patterns is still worked on, the next one waits, and is told to come again.
    $lock = Cache::store()->getStore()->lock("alone patterns {$this->tove->id}", 30);
    $lock->get();
    $this->sendEdits($this->map, [['name' => 'text.replace', 'find' => ['text' => 'x', 'pattern' => true], 'with' => 'y']])->assertTooManyRequests()->assertHeader('Retry-After');
    $this->sendEdits($this->map, [['name' => 'topic.retitle', 'topic' => $this->map->root, 'title' => 'Free']])->assertOk();
    $lock->release();
});

it('draws a large picture once for as long as the map is the same, and one at a time for each person', function () {
    $export = fn (string $more = '') => $this->get("/api/maps/{$this->map->id}/export?to=png&width=300{$more}");
    $first = $export()->assertOk()->getContent();
    $path = getenv('PATH');
    putenv('PATH=/nowhere');
    try {
        expect($export()->assertOk()->getContent())->toBe($first);
        $export('&board=slate')->assertUnprocessable();
        $this->sendEdits($this->map, [['name' => 'topic.retitle', 'topic' => $this->map->root, 'title' => 'New']]);
        $export()->assertUnprocessable();
    } finally {
        putenv("PATH={$path}");
    }
    $lock = Cache::store()->getStore()->lock("alone pictures {$this->tove->id}", 30);
    $lock->get();
    $export()->assertTooManyRequests();
    $this->flushSession();
    $this->actingAs($this->person('ines@saltmere.example'));
    $theirs = $this->mapOf($this->person('ines@saltmere.example'));
    $this->get("/api/maps/{$theirs->id}/export?to=png&width=300")->assertOk();
    $lock->release();
});

it('says that it is busy where the database is locked, and when to come again', function () {
    $this->app->bind(MapEditing::class, fn () => throw tap(new PDOException('database is locked'), fn (PDOException $locked) => $locked->errorInfo = ['HY000', 5, 'database is locked']));
    $this->sendEdits($this->map, [['name' => 'map.balance']])->assertStatus(503)->assertJsonPath('code', 'busy')->assertHeader('Retry-After', '1');
    $this->app->bind(MapEditing::class, fn () => throw tap(new PDOException('no such table'), fn (PDOException $other) => $other->errorInfo = ['HY000', 1, 'no such table']));
    $this->sendEdits($this->map, [['name' => 'map.balance']])->assertStatus(500);
});

it('looks at no body before it knows who sends it', function () {
    $server = ['CONTENT_TYPE' => 'application/json', 'HTTP_ACCEPT' => 'application/json'];
    $theirs = $this->mapOf($this->person('ines@saltmere.example'));
    $broken = '{"since": 0, "edits": [';
    $this->call('POST', "/api/maps/{$theirs->id}/edits", content: $broken, server: $server)->assertNotFound();
    $this->call('POST', "/api/maps/{$this->map->id}/edits", content: $broken, server: $server)->assertStatus(400);
    $this->flushSession();
    auth()->forgetGuards();
    $this->call('POST', "/api/maps/{$this->map->id}/edits", content: $broken, server: $server)->assertUnauthorized();
    $this->call('POST', '/api/sign-in', content: '{"email":"'.str_repeat('a', 20_000).'"}', server: $server)->assertStatus(413);
    $this->call('POST', '/api/sign-in', content: gzencode('{"email":"'.str_repeat('a', 40_000_000).'"}'), server: $server + ['HTTP_CONTENT_ENCODING' => 'gzip'])->assertStatus(413);
    $this->call('POST', '/api/sign-in', content: gzencode('{"email":"'.str_repeat('a', 500_000).'"}'), server: $server + ['HTTP_CONTENT_ENCODING' => 'gzip'])->assertStatus(400);
});

it('counts what JSON would become before it is parsed', function () {
    expect(JsonBounds::allow('{"a":[1,2,3]}'))->toBeTrue()
        ->and(JsonBounds::allow(str_repeat('[', 400_000)))->toBeFalse()
        ->and(JsonBounds::allow(str_repeat(',', 3_000_000)))->toBeFalse();
    $this->call('POST', "/api/maps/{$this->map->id}/edits", content: '{"since":0,"edits":['.str_repeat('[1],', 400_000).'1]}', server: ['CONTENT_TYPE' => 'application/json', 'HTTP_ACCEPT' => 'application/json'])->assertStatus(400);
});

it('finds by the words of one’s own maps only, and forgets words that stand nowhere', function () {
    $ines = $this->person('ines@saltmere.example');
    $this->mapOf($ines, new TopicDraft('Secretariat', children: array_map(fn (int $n): TopicDraft => new TopicDraft("lant{$n}"), range(1, 160))));
    $indexer = $this->app->make(Indexer::class);
    $indexer->catchUp($ines);
    $indexer->catchUp($this->tove);
    $search = $this->app->make(WordSearch::class);
    $named = fn (array $likely): array => DB::table('words')->whereIn('id', array_keys($likely))->pluck('word')->all();

    expect($named($search->meant($this->tove, 'secr')))->toBe([])
        ->and($named($search->meant($this->tove, 'secretarait')))->toBe([])
        ->and($named($search->meant($this->tove, 'lant')))->toBe(['lanterns'])
        ->and($named($search->meant($ines, 'secretarait')))->toBe(['secretariat'])
        ->and($this->getJson('/api/quick?words=lant')->json('topics.0.title'))->toBe('Lanterns');

    $this->sendEdits($this->map, [['name' => 'topic.retitle', 'topic' => $this->id($this->map, 'Willow'), 'title' => 'Cane']]);
    $indexer->catchUp($this->tove);
    expect(DB::table('words')->where('word', 'willow')->exists())->toBeFalse()
        ->and(DB::table('words')->where('word', 'cane')->exists())->toBeTrue();
    MapRecord::query()->where('person_id', $ines->id)->delete();
    $this->app->make(WordIndex::class)->sweep();
    expect(DB::table('words')->where('word', 'secretariat')->exists())->toBeFalse()
        ->and(DB::table('words')->pluck('word')->sort()->values()->all())->toBe(['boats', 'cane', 'festival', 'lanterns', 'paper'])
        ->and(DB::table('word_grams')->whereNotIn('word_id', DB::table('words')->pluck('id'))->count())->toBe(0);
});

it('lets one thing of a sort be done at a time', function () {
    $alone = $this->app->make(Alone::class);
    expect($alone->run('x', $this->tove, fn (): string => $alone->run('y', $this->tove, fn (): string => 'both')))->toBe('both')
        ->and($alone->run('x', $this->tove, fn (): int => 2))->toBe(2)
        ->and(fn () => $alone->run('x', $this->tove, fn () => throw new RuntimeException('broke')))->toThrow(RuntimeException::class)
        ->and($alone->run('x', $this->tove, fn (): string => 'free again'))->toBe('free again');
});
