<?php

declare(strict_types=1);

use App\Models\MapRecord;
use App\Store\EditBody;
use App\Store\EditLog;
use App\Store\MapEditing;
use App\Store\MapStore;
use App\Store\Sqlite\ImmediatePdo;
use App\Store\ViewStore;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Map\Ids;
use ChalkTree\Map\Topic;
use ChalkTree\Refusal;
use Illuminate\Support\Facades\DB;
use Tests\Support\Chance;
use Tests\Support\RandomMaps;

it('keeps the rows in the database equal to the map in memory through random edits, undos and redos', function (int $seed) {
    $chance = new Chance($seed);
    $person = $this->person();
    $store = app(MapStore::class);
    $editing = app(MapEditing::class);
    $record = $store->create($person, RandomMaps::map($chance, 20, notes: true));
    $map = $store->load($record);
    $start = RandomMaps::contents($map);
    $done = 0;
    for ($i = 0; $i < 80; $i++) {
        $body = match ($chance->int(1, 6)) {
            1 => ['name' => 'undo'],
            2 => ['name' => 'redo'],
            default => RandomMaps::edit($chance, $map),
        };
        try {
            $editing->make($record, $map, $person, EditBody::read($body));
            $done++;
        } catch (Refusal) {
            // Refused edits must leave both sides as they were, which is what is looked at next.
        }
        expect(RandomMaps::contents($store->load($record->fresh())))->toEqual(RandomMaps::contents($map));
    }
    expect($done)->toBeGreaterThan(30);
    while (app(EditLog::class)->next($record, $person)['undo'] !== null) {
        $editing->make($record, $map, $person, EditBody::read(['name' => 'undo']));
    }
    // What only tells how it is elsewhere is nobody's step.
    $quiet = ['told-how-far' => true];
    expect(array_diff_key(RandomMaps::contents($store->load($record->fresh())), $quiet))->toEqual(array_diff_key($start, $quiet));
})->with(range(1, 8));

it('keeps every text as it was typed', function (string $text) {
    $person = $this->person();
    $record = $this->mapOf($person);
    $this->actingAs($person);
    $this->sendEdits($record, [
        ['name' => 'topic.retitle', 'topic' => $record->root, 'title' => $text],
        ['name' => 'topic.note', 'topics' => [$record->root], 'note' => $text],
        ['name' => 'topic.caption', 'topics' => [$record->root], 'caption' => $text],
    ])->assertJsonPath('edits.*.status', ['done', 'done', 'done']);
    $root = $this->topics($record)->root();

    expect([$root->title, $root->note, $root->caption])->toBe([$text, $text, $text]);
    $this->getJson("/api/maps/{$record->id}")->assertJsonPath('rows.1.fields.title', $text === '' ? null : $text);
})->with([
    'spaces around' => '  a  ',
    'quotes' => "'; drop table topics; --",
    'emoji' => '👩‍👩‍👧‍👦 🏮',
    'line breaks' => "one\ntwo\n\n",
    'markup' => '<script>alert("x")</script>',
    'null as a word' => 'null',
    'a number' => '0',
    'nothing' => '',
    'backslashes' => 'C:\\new\\table',
    'right to left' => 'שלום עולם',
]);

it('begins transactions on SQLite with the write lock', function () {
    if (DB::connection()->getDriverName() !== 'sqlite') {
        expect(DB::connection()->getDriverName())->toBe('pgsql');

        return;
    }
    $file = sys_get_temp_dir().'/lock-'.bin2hex(random_bytes(4)).'.sqlite';
    $one = new ImmediatePdo("sqlite:{$file}");
    $two = new ImmediatePdo("sqlite:{$file}");
    $one->exec('create table t (n integer)');
    $two->exec('pragma busy_timeout = 50');
    expect($one->inTransaction())->toBeFalse();
    $one->beginTransaction();
    expect($one->inTransaction())->toBeTrue()
        ->and(fn () => $two->beginTransaction())->toThrow(PDOException::class);
    $one->exec('insert into t values (1)');
    $one->rollBack();
    $two->beginTransaction();
    $two->exec('insert into t values (2)');
    $two->commit();
    expect($one->query('select n from t')->fetchAll(PDO::FETCH_COLUMN))->toEqual([2]);
    unlink($file);
});

it('puts nothing into the database when a request fails half-way', function () {
    $person = $this->person();
    $record = $this->mapOf($person);
    $before = RandomMaps::contents($this->topics($record));
    $this->actingAs($person);
    $this->app->bind(EditLog::class, fn () => throw new RuntimeException('The disk is full.'));
    $this->sendEdits($record, [['name' => 'topic.retitle', 'topic' => $record->root, 'title' => 'Lost']])
        ->assertStatus(500)->assertJson(['code' => 'failed']);

    expect(RandomMaps::contents($this->topics($record)))->toEqual($before)
        ->and(DB::table('edits')->count())->toBe(0);
});

it('reads the parts of an edit that belong to the protocol', function () {
    $id = Ids::next();
    $edit = EditBody::read(['id' => $id, 'name' => 'topic.retitle', 'topic' => 't', 'title' => 'x']);

    expect($edit->id)->toBe($id)
        ->and($edit->step)->toBe($id)
        ->and($edit->name)->toBe('topic.retitle')
        ->and($edit->arguments)->toBe(['topic' => 't', 'title' => 'x'])
        ->and(Ids::valid(EditBody::read(['name' => 'x'])->id))->toBeTrue();
});

it('refuses entries that are no edits', function (mixed $body) {
    EditBody::read($body);
})->with([
    'text' => 'topic.add',
    'no name' => [['id' => '01m83fb3nbvantw04nps62efzp']],
    'a name that is none' => [['name' => 7]],
    'an id that is none' => [['name' => 'undo', 'id' => 'x']],
    'a step that is none' => [['name' => 'undo', 'step' => []]],
])->throws(InvalidEdit::class);

it('keeps a view for each person and map', function () {
    $views = app(ViewStore::class);
    $tove = $this->person();
    $map = $this->mapOf($tove);
    $other = $this->mapOf($tove);
    $ines = $this->person('ines@saltmere.example');
    $none = ['folded' => [], 'outlineFolded' => [], 'chosen' => null, 'scope' => null, 'outlineScope' => null, 'showing' => false, 'filter' => null];
    expect($views->of($map, $tove))->toBe($none);

    $lanterns = $this->id($map, 'Lanterns');
    $views->save($map, $tove, ['folded' => [$lanterns], 'outlineFolded' => [], 'chosen' => $lanterns, 'scope' => $lanterns, 'outlineScope' => null, 'showing' => false, 'filter' => null]);
    $views->save($map, $tove, ['folded' => [$lanterns], 'outlineFolded' => [$lanterns], 'chosen' => null, 'scope' => null, 'outlineScope' => null, 'showing' => false, 'filter' => ['text' => 'not done', 'shows' => 'dim', 'kept' => [$lanterns]]]);

    expect($views->of($map, $tove))->toEqual(['folded' => [$lanterns], 'outlineFolded' => [$lanterns], 'chosen' => null, 'scope' => null, 'outlineScope' => null, 'showing' => false, 'filter' => ['text' => 'not done', 'shows' => 'dim', 'kept' => [$lanterns]]])
        ->and($views->board($map, $tove)->folded)->toBe([$lanterns => true])
        ->and($views->of($map, $ines))->toBe($none)
        ->and($views->of($other, $tove))->toBe($none);
});

it('lets a topic of one map have the id of a topic in another', function () {
    $tove = $this->person();
    $this->actingAs($tove);
    $one = $this->mapOf($tove);
    $two = $this->mapOf($tove);
    $id = $this->id($one, 'Lanterns');
    $this->sendEdits($two, [['name' => 'topic.add', 'parent' => $two->root, 'topic' => ['id' => $id, 'title' => 'Same id']]])->assertJsonPath('edits.0.status', 'done');

    expect($this->topics($one)->topic($id)->title)->toBe('Lanterns')
        ->and($this->topics($two)->topic($id)->title)->toBe('Same id');
});

it('refuses an id that a removed topic has', function () {
    $tove = $this->person();
    $this->actingAs($tove);
    $map = $this->mapOf($tove);
    $id = $this->id($map, 'Boats');
    $this->sendEdits($map, [
        ['name' => 'topic.remove', 'topics' => [$id]],
        ['name' => 'topic.add', 'parent' => $map->root, 'topic' => ['id' => $id, 'title' => 'Again']],
    ])->assertJsonPath('edits.1.refusal.code', 'invalid_edit');
});

it('undoes for good a topic that was begun and left empty', function () {
    $tove = $this->person();
    $this->actingAs($tove);
    $map = $this->mapOf($tove);
    $this->sendEdits($map, [
        ['name' => 'topic.add', 'parent' => $map->root, 'topic' => ['title' => '']],
        ['name' => 'undo', 'forget' => true],
    ])->assertJsonPath('edits.*.status', ['done', 'done'])->assertJsonPath('redo', null)->assertJsonPath('undo', null);

    expect($this->topics($map)->all())->toHaveCount(5);
});

it('copies a map with all of its topics, but not its history', function () {
    $tove = $this->person();
    $this->actingAs($tove);
    $map = $this->mapOf($tove);
    $this->sendEdits($map, [['name' => 'topic.retitle', 'topic' => $map->root, 'title' => 'Changed']]);
    $copy = MapRecord::query()->findOrFail($this->postJson("/api/maps/{$map->id}/duplicate")->json('id'));

    expect(array_map(fn (Topic $topic): string => $topic->title, array_values($this->topics($copy)->all())))
        ->toBe(array_map(fn (Topic $topic): string => $topic->title, array_values($this->topics($map)->all())))
        ->and($copy->seq)->toBe(0);
    $this->sendEdits($copy, [['name' => 'topic.retitle', 'topic' => $copy->root, 'title' => 'Only here']]);
    expect($this->topics($map)->root()->title)->toBe('Changed');
});
