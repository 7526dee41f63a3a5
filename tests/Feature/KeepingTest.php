<?php

declare(strict_types=1);

use App\Library\Folders;
use App\Library\Trash;
use App\Models\MapRecord;
use App\Store\EditBody;
use App\Store\MapEditing;
use App\Store\MapStore;
use Carbon\CarbonImmutable;
use ChalkTree\Map\Ids;
use ChalkTree\Map\TreeCheck;
use ChalkTree\Refusal;
use Illuminate\Support\Facades\DB;
use Tests\Support\Chance;
use Tests\Support\RandomMaps;

beforeEach(function () {
    $this->tove = $this->person();
    $this->actingAs($this->tove);
    $this->map = $this->mapOf($this->tove);
});

it('shows a map as it was, what became of it, and gives a branch back', function () {
    $lanterns = $this->id($this->map, 'Lanterns');
    $willow = $this->id($this->map, 'Willow');
    $this->sendEdits($this->map, [
        ['name' => 'topic.retitle', 'topic' => $lanterns, 'title' => 'Lamps'],
        ['name' => 'topic.remove', 'topics' => [$willow]],
        ['name' => 'topic.move', 'topics' => [$this->id($this->map, 'Paper')], 'parent' => $this->id($this->map, 'Boats')],
    ]);
    $compared = $this->getJson("/api/maps/{$this->map->id}/history/0")->assertOk()->json();
    expect(array_map(fn (array $one): array => [$one['what'], $one['title'], $one['was']], $compared['differences']))
        ->toEqualCanonicalizing([['changed', 'Lamps', 'Lanterns'], ['removed', 'Willow', ''], ['moved', 'Paper', '']])
        ->and(array_column($compared['topics'], 'title'))->toContain('Willow', 'Lanterns');
    expect($this->get("/api/maps/{$this->map->id}/history/0/picture?show=then")->assertOk()->getContent())->toContain('>Willow<')->toContain('stroke-dasharray')
        ->and($this->get("/api/maps/{$this->map->id}/history/0/picture?show=now")->getContent())->not->toContain('>Willow<');
    $branch = $this->getJson("/api/maps/{$this->map->id}/history/0/branch/{$lanterns}")->assertOk()->json('topics');
    expect($branch)->toEqual([['title' => 'Lanterns', 'children' => [['title' => 'Paper'], ['title' => 'Willow']]]]);
    $this->sendEdits($this->map, [['name' => 'topic.add-many', 'parent' => $this->map->root, 'topics' => $branch]])->assertJsonPath('edits.0.status', 'done');
    $this->getJson("/api/maps/{$this->map->id}/history/99")->assertUnprocessable();
    $this->getJson("/api/maps/{$this->map->id}/history/0/branch/".Ids::next())->assertUnprocessable();
    $this->getJson("/api/maps/{$this->map->id}/history/0/picture?show=never")->assertUnprocessable();
    expect(DB::table('edits')->where('map_id', $this->map->id)->pluck('summary')->all())->toContain('Moved “Paper” under “Boats”');
});

it('empties trash when asked to, and by itself after thirty days', function () {
    $this->sendEdits($this->map, [['name' => 'topic.remove', 'topics' => [$this->id($this->map, 'Willow')]]]);
    $this->travel(31)->days();
    $this->sendEdits($this->map, [['name' => 'topic.remove', 'topics' => [$this->id($this->map, 'Paper')]]], 1);
    app(Trash::class)->clearOld();
    expect($this->getJson("/api/maps/{$this->map->id}/trash")->json('branches.*.title'))->toBe(['Paper']);
    $this->getJson("/api/maps/{$this->map->id}/history/0")->assertOk();
    $this->deleteJson("/api/maps/{$this->map->id}/trash")->assertOk()->assertJsonPath('topics', 1);
    expect($this->getJson("/api/maps/{$this->map->id}/trash")->json('branches'))->toBe([]);
    $this->sendEdits($this->map, [['name' => 'undo']], 2)->assertJsonPath('edits.0.status', 'refused');

    $old = $this->mapOf($this->tove);
    $new = $this->mapOf($this->tove);
    MapRecord::query()->whereKey($old->id)->update(['trashed_at' => CarbonImmutable::now()->subDays(31)]);
    $this->deleteJson("/api/maps/{$new->id}");
    $this->artisan('trash:empty');
    expect($old->fresh())->toBeNull()->and($new->fresh())->not->toBeNull();
    $theirs = $this->mapOf($this->person('ines@saltmere.example'));
    MapRecord::query()->whereKey($theirs->id)->update(['trashed_at' => CarbonImmutable::now()]);
    $this->deleteJson('/api/trash')->assertOk()->assertJsonPath('maps', 1);
    expect($new->fresh())->toBeNull()->and($theirs->fresh())->not->toBeNull();
});

it('keeps maps in folders within folders', function () {
    $outer = $this->postJson('/api/folders', ['name' => 'Festival'])->assertCreated()->json('id');
    $inner = $this->postJson('/api/folders', ['name' => 'Boats', 'parent' => $outer])->assertCreated()->json('id');
    $this->patchJson("/api/maps/{$this->map->id}", ['folder' => $inner, 'favourite' => true])->assertOk();
    $library = $this->getJson('/api/maps')->json();
    expect($library['folders'])->toEqualCanonicalizing([['id' => $outer, 'parent' => null, 'name' => 'Festival'], ['id' => $inner, 'parent' => $outer, 'name' => 'Boats']])
        ->and($library['maps'][0])->toMatchArray(['folder' => $inner, 'favourite' => true, 'starter' => false]);
    expect($this->postJson('/api/maps', ['folder' => $inner])->json('id'))->not->toBeEmpty();
    $this->patchJson("/api/folders/{$outer}", ['parent' => $inner])->assertUnprocessable();
    $this->patchJson("/api/folders/{$outer}", ['parent' => $outer])->assertUnprocessable();
    $this->patchJson("/api/folders/{$inner}", ['name' => 'Ships', 'parent' => null])->assertOk();
    $this->patchJson("/api/folders/{$inner}", ['parent' => $outer])->assertOk();
    $this->deleteJson("/api/folders/{$inner}")->assertOk();
    expect($this->map->fresh()->folder)->toBe($outer);
    $this->call('POST', "/api/maps/import?name=a.txt&folder={$outer}", content: 'x')->assertCreated();
    $this->call('POST', '/api/maps/import?name=a.txt&folder='.Ids::next(), content: 'x', server: ['HTTP_ACCEPT' => 'application/json'])->assertUnprocessable();
});

it('keeps folders from others, and from growing without end', function () {
    $folder = app(Folders::class)->make($this->person('ines@saltmere.example'), 'Hers', null);
    $this->patchJson("/api/folders/{$folder->id}", ['name' => 'Mine'])->assertNotFound();
    $this->deleteJson("/api/folders/{$folder->id}")->assertNotFound();
    $this->postJson('/api/folders', ['name' => 'x', 'parent' => $folder->id])->assertUnprocessable();
    $this->patchJson("/api/maps/{$this->map->id}", ['folder' => $folder->id])->assertUnprocessable();
    $this->postJson('/api/folders', ['name' => ''])->assertUnprocessable();
    $parent = null;
    for ($i = 0; $i < 20; $i++) {
        $parent = $this->postJson('/api/folders', ['name' => "f{$i}", 'parent' => $parent])->assertCreated()->json('id');
    }
    $this->postJson('/api/folders', ['name' => 'too deep', 'parent' => $parent])->assertUnprocessable();
    auth()->forgetUser();
    $this->postJson('/api/folders', ['name' => 'x'])->assertUnauthorized();
});

it('begins maps from starters, its own and a person\'s, and remembers which', function () {
    $starters = $this->getJson('/api/starters')->assertOk()->json();
    expect($starters['starters'])->toHaveCount(11)->and($starters['first'])->toBeNull();
    foreach ($starters['starters'] as $one) {
        $map = $this->postJson('/api/maps', ['starter' => $one['id']])->assertCreated()->json('id');
        expect(count($this->topics(MapRecord::query()->find($map))->all()))->toBeGreaterThan(9);
        expect($this->get("/api/starters/{$one['id']}/picture")->assertOk()->getContent())->toStartWith('<svg');
    }
    $this->patchJson("/api/maps/{$this->map->id}", ['starter' => true]);
    $own = collect($this->getJson('/api/starters')->json('starters'))->firstWhere('own', true);
    expect($own)->toMatchArray(['id' => $this->map->id, 'name' => 'Festival']);
    $copy = $this->postJson('/api/maps', ['starter' => $this->map->id])->json('id');
    expect($this->id(MapRecord::query()->find($copy), 'Willow'))->not->toBeEmpty()
        ->and($this->getJson('/api/starters')->json('first'))->toBe($this->map->id);
    $this->postJson('/api/maps', ['starter' => 'no-such'])->assertUnprocessable();
    $theirs = $this->mapOf($this->person('ines@saltmere.example'));
    $theirs->update(['starter' => true]);
    $this->postJson('/api/maps', ['starter' => $theirs->id])->assertUnprocessable();
});

it('reads clips, tells what an edit would do, copies, and changes nothing by it', function () {
    $clip = $this->postJson("/api/maps/{$this->map->id}/clip", ['text' => "  a\n\tb\n"])->assertOk()->json();
    expect(array_column($clip['lines'], 'text'))->toBe(['a', 'b'])->and($clip['sure'])->toBeTrue();
    $this->postJson("/api/maps/{$this->map->id}/clip", ['text' => ['x']])->assertUnprocessable();
    expect($this->postJson("/api/maps/{$this->map->id}/clip/picture", ['as' => 'branches', 'lines' => [['level' => 0, 'text' => 'a']]])->assertOk()->json('picture'))->toStartWith('<svg');
    $this->postJson("/api/maps/{$this->map->id}/clip/picture", ['as' => 'branches', 'lines' => [['level' => -1, 'text' => 'a']]])->assertUnprocessable();

    $root = $this->map->root;
    $told = $this->postJson("/api/maps/{$this->map->id}/rehearsal", ['edit' => ['name' => 'branch.sort', 'topics' => [$root], 'by' => 'title']])->assertOk()->json();
    expect($told['count'])->toBe(2)->and(array_column($told['items'], 'what'))->toBe(['placed', 'placed']);
    $told = $this->postJson("/api/maps/{$this->map->id}/rehearsal", ['edit' => ['name' => 'text.tidy', 'topics' => [$root], 'way' => 'upper']])->json();
    expect($told['items'])->toBe([['topic' => $root, 'what' => 'title', 'before' => 'Festival', 'after' => 'FESTIVAL']]);
    $this->postJson("/api/maps/{$this->map->id}/rehearsal", ['edit' => ['name' => 'no.such']])->assertUnprocessable();
    $this->postJson("/api/maps/{$this->map->id}/rehearsal", [])->assertUnprocessable();

    $copy = $this->postJson("/api/maps/{$this->map->id}/copy", ['topics' => [$this->id($this->map, 'Lanterns')]])->assertOk()->json();
    expect($copy['text'])->toBe("Lanterns\n\tPaper\n\tWillow\n");
    $this->postJson("/api/maps/{$this->map->id}/copy", ['topics' => [Ids::next()]])->assertUnprocessable();
    expect($this->map->fresh()->seq)->toBe(0);
});

it('takes out a branch alone, and nothing of the parking lot but in JSON', function () {
    $this->sendEdits($this->map, [['name' => 'topic.park', 'topics' => [$this->id($this->map, 'Boats')]]]);
    $lanterns = $this->id($this->map, 'Lanterns');
    expect($this->get("/api/maps/{$this->map->id}/export?to=txt")->getContent())->toBe("Festival\n\tLanterns\n\t\tPaper\n\t\tWillow\n")
        ->and($this->get("/api/maps/{$this->map->id}/export?to=txt&topic={$lanterns}")->getContent())->toBe("Lanterns\n\tPaper\n\tWillow\n")
        ->and($this->get("/api/maps/{$this->map->id}/export?to=svg&topic={$lanterns}")->getContent())->toContain('>Paper<')->not->toContain('>Festival<')
        ->and($this->get("/api/maps/{$this->map->id}/export?to=svg")->getContent())->not->toContain('Boats')
        ->and($this->get("/api/maps/{$this->map->id}/export?to=json")->getContent())->toContain('"parked"');
});

it('keeps two views of one map apart', function () {
    $lanterns = $this->id($this->map, 'Lanterns');
    $view = ['since' => 0, 'folded' => [], 'outlineFolded' => [], 'chosen' => null, 'scope' => $lanterns, 'outlineScope' => null];
    $this->putJson("/api/maps/{$this->map->id}/view?pane=second", $view)->assertOk()->assertJsonCount(3, 'scene.slips');
    expect($this->getJson("/api/maps/{$this->map->id}?pane=second")->json('scene.slips'))->toHaveCount(3)
        ->and($this->getJson("/api/maps/{$this->map->id}")->json('scene.slips'))->toHaveCount(5);
    $this->getJson("/api/maps/{$this->map->id}?pane=third")->assertUnprocessable();
});

it('keeps a tree a tree while two people edit in turn, undoing and redoing each their own', function (int $seed) {
    $chance = new Chance(40 + $seed);
    $people = [$this->tove, $this->person('ines@saltmere.example')];
    $record = app(MapStore::class)->create($this->tove, RandomMaps::map($chance, 20));
    $editing = app(MapEditing::class);
    $done = ['do' => 0, 'undo' => 0, 'redo' => 0];
    for ($i = 0; $i < 120; $i++) {
        $map = $this->topics($record);
        $before = RandomMaps::contents($map);
        $body = $chance->yes(25) ? ['name' => 'undo'] : ($chance->yes(15) ? ['name' => 'redo'] : RandomMaps::edit($chance, $map));
        try {
            $editing->make($record->refresh(), $map, $people[$i % 2], EditBody::read($body));
            $done[in_array($body['name'], ['undo', 'redo'], true) ? $body['name'] : 'do']++;
        } catch (Refusal) {
            expect(RandomMaps::contents($map))->toBe($before);
        }
        $stored = $this->topics($record);
        expect(TreeCheck::problems($stored))->toBe([])->and(RandomMaps::contents($stored))->toEqual(RandomMaps::contents($map));
    }
    expect($done['do'])->toBeGreaterThan(40)->and($done['undo'])->toBeGreaterThan(5);
})->with(range(1, 6));
