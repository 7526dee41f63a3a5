<?php

declare(strict_types=1);

use App\Library\Exports;
use App\Mail\Outbox;
use App\Models\Folder;
use App\Models\MapRecord;
use App\Models\Person;
use App\Models\Share;
use App\Pictures\KeptPictures;
use App\Sharing\Access;
use App\Sharing\Role;
use App\Sharing\Shares;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\Map\Ids;
use ChalkTree\Picture\PictureFile;
use Tests\Support\Chance;
use Tests\Support\Photos;
use Tests\Support\Sends;

beforeEach(function () {
    config(['chalk.limits' => false]);
    [$this->tove, $this->ines, $this->bram] = array_map(fn (string $name): Person => $this->person("{$name}@saltmere.example"), ['tove', 'ines', 'bram']);
    $this->map = $this->mapOf($this->tove);
    $this->be = function (Person $who): void {
        $this->flushSession();
        $this->actingAs($who->fresh());
    };
    $this->letter = fn (string $to): string => (string) app(Outbox::class)->latest($to);
    $this->status = function (Person $who, ?MapRecord $map = null): int {
        ($this->be)($who);

        return $this->getJson('/api/maps/'.($map ?? $this->map)->id)->getStatusCode();
    };
    $this->folder = fn (string $name, ?Folder $in = null): Folder => Folder::query()->create(['id' => Ids::next(), 'person_id' => $this->tove->id, 'name' => $name, 'parent' => $in?->id]);
});

it('lets somebody in by their address, tells them by letter, and ends what it gave at once', function () {
    ($this->be)($this->tove);
    $answer = $this->postJson("/api/maps/{$this->map->id}/shares", ['email' => ' Ines@Saltmere.example ', 'role' => 'edit', 'words' => 'For the boats.'])->assertOk();
    expectShape('SharesAnswer', json_decode($answer->getContent()));
    expect($answer->json('people'))->toHaveCount(1)->and($answer->json('people.0'))->toMatchArray(['email' => 'ines@saltmere.example', 'name' => 'Ines', 'role' => 'edit', 'folder' => null, 'last' => null, 'days' => 0])
        ->and(($this->letter)('ines@saltmere.example'))->toContain('Tove (tove@saltmere.example) shares a map with you: “Festival”. You may work in it.')->toContain('For the boats.')->toContain("/maps/{$this->map->id}");
    ($this->be)($this->ines);
    $open = $this->getJson("/api/maps/{$this->map->id}")->assertOk();
    expectShape('OpenAnswer', json_decode($open->getContent()));
    expect($open->json('role'))->toBe('edit')->and($open->json('isShared'))->toBeTrue();
    $this->sendEdits($this->map, [['name' => 'topic.retitle', 'topic' => $this->map->root, 'title' => 'Feast']])->assertJsonPath('edits.0.status', 'done');
    $listed = $this->getJson('/api/maps')->assertOk();
    expectShape('LibraryAnswer', json_decode($listed->getContent()));
    expect($listed->json('maps'))->toBe([])->and($listed->json('shared.0'))->toMatchArray(['id' => $this->map->id, 'title' => 'Feast', 'topics' => 5, 'role' => 'edit', 'owner' => 'Tove', 'folder' => null, 'isOffered' => false]);
    // Each takes back their own, and what the other did stays.
    ($this->be)($this->tove);
    expect($this->getJson("/api/maps/{$this->map->id}")->json('undo'))->toBeNull();
    $this->getJson("/api/maps/{$this->map->id}/shares")->assertJsonPath('people.0.days', 1);
    $this->patchJson('/api/shares/'.$answer->json('people.0.share'), ['role' => 'view'])->assertOk();
    ($this->be)($this->ines);
    $this->sendEdits($this->map, [['name' => 'undo']], 1)->assertForbidden();
    $this->getJson("/api/maps/{$this->map->id}/edits?since=1")->assertOk()->assertJson(['role' => 'view', 'undo' => null]);
    ($this->be)($this->tove);
    $this->deleteJson('/api/shares/'.$answer->json('people.0.share'))->assertOk();
    expect(($this->status)($this->ines))->toBe(404)->and(($this->status)($this->tove))->toBe(200);
});

it('waits with what is shared for whoever has no account yet', function () {
    ($this->be)($this->tove);
    $this->postJson("/api/maps/{$this->map->id}/shares", ['email' => 'new@saltmere.example', 'role' => 'view'])->assertOk()->assertJsonPath('people.0.name', null);
    expect(($this->letter)('new@saltmere.example'))->toContain('/register?email=new%40saltmere.example')->not->toContain($this->map->id);
    $new = $this->person('new@saltmere.example');
    expect(($this->status)($new))->toBe(200)->and($this->getJson('/api/maps')->json('shared.0.role'))->toBe('view');
});

it('says no to what makes no sense, and changes nothing', function (array $body, string $field) {
    ($this->be)($this->tove);
    $this->postJson("/api/maps/{$this->map->id}/shares", $body)->assertUnprocessable()->assertJsonPath('field', $field);
    expect(Share::query()->count())->toBe(0);
})->with([
    'one’s own address' => [['email' => 'tove@saltmere.example', 'role' => 'view'], 'email'], 'no address' => [['email' => 'ines', 'role' => 'view'], 'email'], 'the owner’s role' => [['email' => 'ines@saltmere.example', 'role' => 'owner'], 'role'],
    'a role that is none' => [['email' => 'ines@saltmere.example', 'role' => 'EDIT'], 'role'], 'too many words' => [['email' => 'ines@saltmere.example', 'role' => 'edit', 'words' => str_repeat('a', 401)], 'words'], 'an address as a list' => [['email' => ['ines@saltmere.example'], 'role' => 'edit'], 'email'],
]);

it('lets into a folder, and so into all that is in it or comes into it, however deep, until it leaves', function () {
    [$year, $plans] = [($this->folder)('This year'), null];
    $plans = ($this->folder)('Plans', $year);
    ($this->be)($this->tove);
    $answer = $this->postJson("/api/folders/{$year->id}/shares", ['email' => $this->ines->email, 'role' => 'edit'])->assertOk();
    expectShape('SharesAnswer', json_decode($answer->getContent()));
    expect(($this->letter)($this->ines->email))->toContain('a folder of maps')->toContain('“This year”')->and(($this->status)($this->ines))->toBe(404);
    ($this->be)($this->tove);
    $this->patchJson("/api/maps/{$this->map->id}", ['folder' => $plans->id])->assertOk();
    expect(($this->status)($this->ines))->toBe(200)->and($this->getJson('/api/maps')->json('shared.0'))->toMatchArray(['id' => $this->map->id, 'folder' => 'This year', 'role' => 'edit']);
    // The greater of two counts.
    app(Shares::class)->give($this->tove, $this->map, $this->ines->email, Role::View);
    expect(app(Access::class)->role($this->ines, $this->map->fresh()))->toBe(Role::Edit);
    ($this->be)($this->tove);
    $this->getJson("/api/maps/{$this->map->id}/shares")->assertJsonPath('people.*.folder', [null, 'This year']);
    $this->patchJson("/api/folders/{$plans->id}", ['parent' => null])->assertOk();
    expect(app(Access::class)->role($this->ines, $this->map->fresh()))->toBe(Role::View);
    // A folder of somebody else's is nobody's to put maps into.
    ($this->be)($this->ines);
    $this->patchJson("/api/maps/{$this->map->id}", ['folder' => $year->id])->assertForbidden();
    $this->postJson('/api/maps', ['folder' => $year->id])->assertUnprocessable();
});

it('shows who only looks nothing that is private, on any route, in any file, in no count', function () {
    $map = $this->mapOf($this->tove, new TopicDraft('Harbour', children: [
        new TopicDraft('Quay', 'open', 'Seen by all {{Quillwort to oneself}}', [new TopicDraft('Crane')]),
        new TopicDraft('Quillwort', 'Quillwort', 'Nobody knows of Quillwort', [new TopicDraft('Quillwort below')]),
        new TopicDraft('Ferry'),
    ]));
    ($this->be)($this->tove);
    $held = $this->id($map, 'Quillwort');
    $this->sendEdits($map, [
        ['name' => 'row.set', 'type' => 'crosslink', 'row' => Ids::next(), 'fields' => ['from' => $this->id($map, 'Ferry'), 'to' => $held, 'phrase' => 'Quillwort']],
        ['name' => 'slide.add', 'as' => $slide = Ids::next(), 'deck' => $deck = Ids::next(), 'topics' => [$held, $this->id($map, 'Quay')]],
        ['name' => 'topic.add', 'parent' => null, 'x' => 900, 'y' => 0, 'topic' => ['id' => $idea = Ids::next(), 'title' => 'Quillwort for later']],
        ['name' => 'topic.park', 'topics' => [$idea]],
        ['name' => 'topic.add', 'parent' => $map->root, 'topic' => ['id' => $gone = Ids::next(), 'title' => 'Quillwort removed']],
        ['name' => 'topic.remove', 'topics' => [$gone]],
        ['name' => 'row.set', 'type' => 'private', 'topics' => [$held], 'fields' => ['held' => true]],
    ])->assertJsonMissing(['status' => 'refused']);
    app(Shares::class)->give($this->tove, $map, $this->bram->email, Role::View);
    app(Shares::class)->give($this->tove, $map, $this->ines->email, Role::Edit);
    $body = ['since' => 0, 'folded' => [], 'outlineFolded' => [], 'chosen' => $held, 'scope' => $held, 'outlineScope' => $held, 'filter' => ['text' => 'text quill', 'shows' => 'above']];
    $asked = fn (): array => [
        $this->getJson("/api/maps/{$map->id}"), $this->getJson("/api/maps/{$map->id}/edits?since=0"), $this->putJson("/api/maps/{$map->id}/view", ['showing' => true] + $body), $this->getJson("/api/maps/{$map->id}"), $this->putJson("/api/maps/{$map->id}/view", $body), $this->getJson("/api/maps/{$map->id}"),
        $this->postJson("/api/maps/{$map->id}/find", ['find' => ['text' => 'llwort'], 'fields' => ['title', 'caption', 'note']]), $this->getJson("/api/maps/{$map->id}/legend"), $this->getJson("/api/maps/{$map->id}/picture"), $this->getJson('/api/maps'),
        $this->getJson("/api/maps/{$map->id}/decks/{$deck}"), $this->getJson("/api/maps/{$map->id}/decks/{$deck}/slides/{$slide}"), $this->get("/api/maps/{$map->id}/sentences.txt"), $this->getJson('/api/quick?words=quillwort'), $this->postJson('/api/find', ['find' => ['text' => 'llwort'], 'fields' => ['title']]), $this->postJson('/api/meant', ['text' => 'text nobody', 'after' => null]),
        $this->postJson("/api/maps/{$map->id}/copy", ['topics' => [$map->root]]), $this->getJson('/api/maps/'.$this->postJson("/api/maps/{$map->id}/duplicate")->json('id')), $this->getJson("/api/maps/{$map->id}/shares"),
        $this->postJson("/api/maps/{$map->id}/filter", ['text' => 'text nobody', 'scope' => null]), $this->postJson("/api/maps/{$map->id}/filter/among", ['text' => 'text nobody', 'among' => [$map->root, $held]]),
    ];
    ($this->be)($this->bram);
    $answers = $asked();
    foreach ($answers as $n => $answer) {
        $words = str_replace('text quill', '', $answer->assertOk()->getContent());
        expect([$n, stripos($words, 'quillwort')])->toBe([$n, false]);
        in_array($n, [0, 3, 5], true) ? expectShape('OpenAnswer', json_decode($answer->getContent())) : null;
        in_array($n, [1, 2, 4], true) ? expectShape('EditsAnswer', json_decode($answer->getContent())) : null;
        // What is private is not even told to be there, but for the view that they keep themselves.
        in_array($n, [2, 3, 4, 5], true) ?: expect([$n, str_contains($words, $held)])->toBe([$n, false]);
    }
    expect($answers[0]->json('undo'))->toBeNull()->and($answers[3]->json('view.scope'))->toBeNull()->and($answers[9]->json('shared.0.topics'))->toBe(4)->and(array_column($answers[0]->json('rows'), 'id'))->toContain($this->id($map, 'Crane'));
    foreach (Exports::names() as $to) {
        $file = $this->get("/api/maps/{$map->id}/export?to={$to}");
        Exports::isComplete($to) ? $file->assertForbidden() : expect([$to, stripos($file->assertOk()->getContent(), 'quillwort')])->toBe([$to, false]);
    }
    $this->postJson("/api/maps/{$map->id}/handovers", ['to' => 'json', 'choices' => [], 'topic' => null, 'chosen' => [], 'board' => 'day'])->assertForbidden();
    $this->postJson("/api/maps/{$map->id}/handovers", ['to' => 'pdf', 'choices' => [], 'topic' => $held, 'chosen' => [], 'board' => 'day'])->assertUnprocessable();
    // Who works in the map sees all of it.
    ($this->be)($this->ines);
    expect($this->getJson("/api/maps/{$map->id}")->getContent())->toContain('Nobody knows of Quillwort')->and($this->getJson('/api/quick?words=quillwort')->json('topics'))->not->toBe([]);
});

it('does not open to who only looks where all of it is private, and does not tell its name', function () {
    ($this->be)($this->tove);
    $this->sendEdits($this->map, [['name' => 'row.set', 'type' => 'private', 'topics' => [$this->map->root], 'fields' => ['held' => true]]])->assertOk();
    $this->postJson("/api/maps/{$this->map->id}/shares", ['email' => $this->bram->email, 'role' => 'view'])->assertOk();
    expect(($this->letter)($this->bram->email))->not->toContain('Festival');
    ($this->be)($this->bram);
    $this->getJson("/api/maps/{$this->map->id}")->assertUnprocessable()->assertJsonPath('code', 'private');
    expect($this->getJson('/api/maps')->json('shared'))->toBe([]);
});

it('lets somebody ask to be let in, and tells nobody whether there is such a map', function () {
    ($this->be)($this->ines);
    $told = $this->postJson('/api/asks', ['map' => $this->map->id, 'words' => 'I help with the boats.'])->assertOk()->json();
    expect($this->postJson('/api/asks', ['map' => Ids::next(), 'words' => null])->assertOk()->json())->toBe($told)->and(($this->letter)($this->tove->email))->toContain('Ines (ines@saltmere.example) asks to be let into your map “Festival”.')->toContain('I help with the boats.');
    $letters = count(app(Outbox::class)->letters());
    $this->postJson('/api/asks', ['map' => $this->map->id, 'words' => 'Please.'])->assertOk();
    expect(app(Outbox::class)->letters())->toHaveCount($letters);
    ($this->be)($this->tove);
    $this->getJson("/api/maps/{$this->map->id}/shares")->assertJsonPath('asks.0.name', 'Ines')->assertJsonPath('asks.0.words', 'Please.');
    // In the application it stands above all maps, for whoever keeps the map alone.
    $told = $this->getJson('/api/told')->assertOk();
    expectShape('ToldAnswer', json_decode($told->getContent()));
    expect(array_map(fn (array $one): array => [$one['name'], $one['mapTitle'], $one['words']], $told->json('asks')))->toContain(['Ines', 'Festival', 'Please.']);
    $this->postJson("/api/maps/{$this->map->id}/shares", ['email' => $this->ines->email, 'role' => 'view'])->assertJsonPath('asks', [])->assertJsonPath('people.0.name', 'Ines');
    ($this->be)($this->bram);
    $this->postJson('/api/asks', ['map' => $this->map->id])->assertOk();
    ($this->be)($this->tove);
    $this->deleteJson("/api/maps/{$this->map->id}/asks/{$this->bram->id}")->assertJsonPath('asks', []);
    expect(($this->status)($this->bram))->toBe(404)->and(($this->status)($this->ines))->toBe(200);
});

it('shares nothing between two of whom one blocks the other, and lets neither hear of it', function () {
    app(Shares::class)->give($this->tove, $this->map, $this->ines->email, Role::Edit);
    ($this->be)($this->ines);
    $answer = $this->postJson('/api/blocks', ['email' => $this->tove->email])->assertOk();
    expectShape('BlocksAnswer', json_decode($answer->getContent()));
    expect(($this->status)($this->ines))->toBe(404)->and($this->getJson('/api/maps')->json('shared'))->toBe([]);
    ($this->be)($this->tove);
    $letters = count(app(Outbox::class)->letters());
    $this->postJson("/api/maps/{$this->map->id}/shares", ['email' => $this->ines->email, 'role' => 'view'])->assertUnprocessable()->assertJsonPath('field', 'email');
    $own = $this->mapOf($this->ines);
    $this->postJson('/api/asks', ['map' => $own->id])->assertOk();
    expect(app(Outbox::class)->letters())->toHaveCount($letters);
    ($this->be)($this->ines);
    $this->getJson("/api/maps/{$own->id}/shares")->assertJsonPath('asks', []);
    $this->postJson("/api/maps/{$own->id}/shares", ['email' => $this->tove->email, 'role' => 'view'])->assertUnprocessable();
    $this->deleteJson('/api/blocks/'.$answer->json('blocks.0.id'))->assertOk()->assertJsonPath('blocks', []);
    ($this->be)($this->tove);
    $this->postJson("/api/maps/{$this->map->id}/shares", ['email' => $this->ines->email, 'role' => 'view'])->assertOk();
    expect(($this->status)($this->ines))->toBe(200);
});

it('hands a map on to somebody who works in it, once they take it', function () {
    $folder = ($this->folder)('Plans');
    ($this->be)($this->tove);
    $this->patchJson("/api/maps/{$this->map->id}", ['folder' => $folder->id, 'favourite' => true])->assertOk();
    app(Shares::class)->give($this->tove, $folder, $this->bram->email, Role::View);
    app(Shares::class)->give($this->tove, $this->map, $this->ines->email, Role::Edit);
    foreach ([$this->bram->email, 'nobody@saltmere.example', $this->tove->email] as $email) {
        $this->putJson("/api/maps/{$this->map->id}/offer", ['email' => $email])->assertUnprocessable();
    }
    $this->putJson("/api/maps/{$this->map->id}/offer", ['email' => $this->ines->email])->assertOk()->assertJsonPath('offered', $this->ines->email);
    ($this->be)($this->bram);
    $this->postJson("/api/maps/{$this->map->id}/take")->assertUnprocessable();
    ($this->be)($this->ines);
    expect($this->getJson('/api/maps')->json('shared.0.isOffered'))->toBeTrue();
    $this->postJson("/api/maps/{$this->map->id}/take")->assertOk()->assertJsonPath('role', 'owner')->assertJsonPath('people.*.email', [$this->bram->email, $this->tove->email])->assertJsonPath('people.*.role', ['view', 'edit']);
    expect($this->getJson('/api/maps')->json('maps.0'))->toMatchArray(['id' => $this->map->id, 'folder' => null, 'favourite' => false])->and(($this->status)($this->tove))->toBe(200)->and(($this->status)($this->bram))->toBe(200);
    ($this->be)($this->tove);
    $this->deleteJson("/api/maps/{$this->map->id}")->assertForbidden();
    // What leaves takes an offer with it.
    ($this->be)($this->ines);
    $this->putJson("/api/maps/{$this->map->id}/offer", ['email' => $this->tove->email])->assertOk();
    $this->deleteJson('/api/shares/'.Share::query()->where('email', $this->tove->email)->value('id'))->assertOk();
    $this->getJson("/api/maps/{$this->map->id}/shares")->assertJsonPath('offered', null);
});

it('gives no file any more that was made while one was let in', function () {
    $share = app(Shares::class)->give($this->tove, $this->map, $this->ines->email, Role::Edit);
    ($this->be)($this->ines);
    $ask = fn (string $to): string => $this->postJson("/api/maps/{$this->map->id}/handovers", ['to' => $to, 'choices' => [], 'topic' => null, 'chosen' => [], 'board' => 'day'])->assertCreated()->json('id');
    [$whole, $text] = [$ask('json'), $ask('md')];
    $this->get("/api/handovers/{$whole}/file")->assertOk();
    app(Shares::class)->change($share, Role::View);
    $this->getJson("/api/handovers/{$whole}/file")->assertNotFound();
    $this->get("/api/handovers/{$text}/file")->assertOk();
    app(Shares::class)->end($share);
    $this->getJson("/api/handovers/{$text}/file")->assertNotFound();
});

it('tells who was in a shared map, and when, to those who work in it', function () {
    app(Shares::class)->give($this->tove, $this->map, $this->ines->email, Role::Edit);
    app(Shares::class)->give($this->tove, $this->map, $this->bram->email, Role::View);
    foreach (['2026-11-27 09:00', '2026-11-28 18:30'] as $time) {
        $this->travelTo($time);
        expect(($this->status)($this->bram))->toBe(200);
    }
    ($this->be)($this->ines);
    $this->getJson("/api/maps/{$this->map->id}/shares")->assertJsonPath('people.0.name', 'Bram')->assertJsonPath('people.0.days', 2)->assertJsonPath('people.0.last', '2026-11-28T18:30:00Z')->assertJsonPath('asks', []);
    ($this->be)($this->bram);
    $this->getJson("/api/maps/{$this->map->id}/shares")->assertJsonPath('people', [])->assertJsonPath('owner.name', 'Tove');
});

it('knows who may what after any shares, moves and ends', function (int $seed) {
    $chance = new Chance($seed);
    $folders = [];
    foreach (range(0, 5) as $n) {
        $folders[] = ($this->folder)("Folder {$n}", $n > 0 && $chance->yes(70) ? $chance->pick($folders) : null);
    }
    $maps = array_map(fn (): MapRecord => $this->mapOf($this->tove), range(0, 3));
    [$in, $above, $given] = [[], array_combine(array_map(fn (Folder $one): string => $one->id, $folders), array_map(fn (Folder $one): ?string => $one->parent, $folders)), []];
    foreach (range(1, 60) as $ignored) {
        [$map, $folder, $who] = [$chance->pick($maps), $chance->pick($folders), $chance->pick([$this->ines, $this->bram])];
        $what = $chance->yes(50) ? $map : $folder;
        match ($chance->int(0, 3)) {
            0, 1 => $given[$what->id][$who->email] = app(Shares::class)->give($this->tove, $what, $who->email, $chance->yes(50) ? Role::Edit : Role::View)->role,
            2 => (function () use ($what, $who, &$given): void {
                $share = app(Shares::class)->of($what)->where('email', $who->email)->first();
                $share === null ?: app(Shares::class)->end($share);
                unset($given[$what->id][$who->email]);
            })(),
            3 => $map->update(['folder' => $in[$map->id] = $chance->yes(80) ? $folder->id : null]),
        };
        foreach ($maps as $one) {
            foreach ([$this->ines, $this->bram] as $person) {
                $roles = [$given[$one->id][$person->email] ?? null];
                for ($at = $in[$one->id] ?? null; $at !== null; $at = $above[$at]) {
                    $roles[] = $given[$at][$person->email] ?? null;
                }
                $wanted = in_array(Role::Edit, $roles, true) ? Role::Edit : (in_array(Role::View, $roles, true) ? Role::View : null);
                expect(app(Access::class)->role($person, $one))->toBe($wanted)
                    ->and(MapRecord::query()->whereKey($one->id)->where(app(Access::class)->workable($person))->exists())->toBe($wanted === Role::Edit);
            }
            expect(app(Access::class)->isShared($one))->toBe(app(Access::class)->role($this->ines, $one) !== null || app(Access::class)->role($this->bram, $one) !== null);
        }
    }
})->with([1, 2, 3, 4]);

it('lets pictures and files go along into copies of what is shared, and from map to map, but none that one does not see', function () {
    ($this->be)($this->tove);
    [$seen, $held] = [app(KeptPictures::class)->add($this->map, PictureFile::read(Photos::png(40)))->hash, app(KeptPictures::class)->add($this->map, PictureFile::read(Photos::png(60)))->hash];
    $this->sendEdits($this->map, [
        ['name' => 'row.set', 'type' => 'picture', 'topics' => [$this->id($this->map, 'Boats')], 'fields' => ['source' => "file:{$seen}"]],
        ['name' => 'row.set', 'type' => 'picture', 'topics' => [$this->id($this->map, 'Paper')], 'fields' => ['source' => "file:{$held}"]],
        ['name' => 'row.set', 'type' => 'private', 'topics' => [$this->id($this->map, 'Paper')], 'fields' => ['held' => true]],
    ])->assertJsonMissing(['status' => 'refused']);
    app(Shares::class)->give($this->tove, $this->map, $this->bram->email, Role::View);
    ($this->be)($this->bram);
    $this->get("/api/maps/{$this->map->id}/pictures/{$seen}/small")->assertOk();
    $this->get("/api/maps/{$this->map->id}/pictures/{$held}/small")->assertNotFound();
    $copy = $this->postJson("/api/maps/{$this->map->id}/duplicate")->assertCreated()->json('id');
    $this->get("/api/maps/{$copy}/pictures/{$seen}/small")->assertOk();
    $own = $this->mapOf($this->bram);
    $put = fn (MapRecord $own, string $hash): string => $this->sendEdits($own, [['name' => 'row.set', 'type' => 'picture', 'topics' => [$own->root], 'fields' => ['source' => "file:{$hash}"]]])->json('edits.0.status');
    expect($put($own, $held))->toBe('refused')->and($put($own, $seen))->toBe('done');
    $this->get("/api/maps/{$own->id}/pictures/{$held}/small")->assertNotFound();
    // Somebody with whom it is not shared gets at nothing by its name.
    ($this->be)($this->ines);
    expect($put($this->mapOf($this->ines), $seen))->toBe('refused');
});

it('counts what comes into a map among what its owner has room for', function () {
    app(Shares::class)->give($this->tove, $this->map, $this->ines->email, Role::Edit);
    $png = Photos::png(80);
    config(['chalk.files.each' => 100]);
    Sends::kept($this->map, str_repeat('a', 60));
    ($this->be)($this->ines);
    $this->call('POST', "/api/maps/{$this->map->id}/pictures", content: $png, server: ['HTTP_ACCEPT' => 'application/json'])->assertUnprocessable();
    $upload = Sends::whole($this->ines, str_repeat('b', 50));
    $this->postJson("/api/maps/{$this->map->id}/files", ['upload' => $upload->id])->assertUnprocessable();
    $own = $this->mapOf($this->ines);
    $this->postJson("/api/maps/{$own->id}/files", ['upload' => $upload->id])->assertOk();
});

it('answers who only looks from what was made for another of them, and never with what has become private', function () {
    app(Shares::class)->give($this->tove, $this->map, $this->bram->email, Role::View);
    app(Shares::class)->give($this->tove, $this->map, $this->ines->email, Role::View);
    $ask = function (Person $who): array {
        ($this->be)($who);

        return $this->getJson("/api/maps/{$this->map->id}")->assertOk()->json();
    };
    $first = $ask($this->bram);
    $same = $ask($this->ines);
    expect($same['rows'])->toBe($first['rows'])->and($same['scene'])->toBe($first['scene']);
    ($this->be)($this->ines);
    $folded = $this->putJson("/api/maps/{$this->map->id}/view", ['since' => 0, 'folded' => [$this->id($this->map, 'Lanterns')], 'outlineFolded' => [], 'chosen' => null, 'scope' => null, 'outlineScope' => null])->assertOk()->json();
    expect(count($folded['scene']['slips']))->toBe(count($first['scene']['slips']) - 2)->and(count($ask($this->bram)['scene']['slips']))->toBe(count($first['scene']['slips']));
    ($this->be)($this->tove);
    $this->sendEdits($this->map, [['name' => 'row.set', 'type' => 'private', 'topics' => [$this->id($this->map, 'Paper')], 'fields' => ['held' => true]]])->assertOk();
    ($this->be)($this->bram);
    $news = $this->getJson("/api/maps/{$this->map->id}/edits?since=0")->assertOk();
    expect($news->getContent())->not->toContain('Paper')->and($news->json('scene.reset'))->toBeTrue()->and(array_column($news->json('rows'), 'id'))->toContain($this->id($this->map, 'Willow'));
});

it('tells who else has it open and, to who edits, where they are, for as long as they go on asking', function () {
    app(Shares::class)->give($this->tove, $this->map, $this->ines->email, Role::Edit);
    app(Shares::class)->give($this->tove, $this->map, $this->bram->email, Role::Comment);
    $boats = $this->id($this->map, 'Boats');
    $ask = function (Person $who, string $at) {
        ($this->be)($who);
        $answer = $this->getJson("/api/maps/{$this->map->id}/edits?since=0&at={$at}")->assertOk();
        expectShape('EditsAnswer', json_decode($answer->getContent()));

        return $answer->json('others');
    };
    expect($ask($this->tove, $boats))->toBe([])
        ->and($ask($this->ines, $this->map->root))->toBe([['id' => $this->tove->id, 'name' => 'Tove', 'at' => $boats, 'in' => null, 'caret' => null]])
        // Where somebody is may be private, so that who does not see all is not told.
        ->and($ask($this->bram, ''))->toBe([['id' => $this->tove->id, 'name' => 'Tove', 'at' => null, 'in' => null, 'caret' => null], ['id' => $this->ines->id, 'name' => 'Ines', 'at' => null, 'in' => null, 'caret' => null]])
        ->and($ask($this->tove, $boats))->toBe([['id' => $this->ines->id, 'name' => 'Ines', 'at' => $this->map->root, 'in' => null, 'caret' => null], ['id' => $this->bram->id, 'name' => 'Bram', 'at' => null, 'in' => null, 'caret' => null]]);
    ($this->be)($this->ines);
    expect($this->getJson("/api/maps/{$this->map->id}")->json('others'))->toHaveCount(2);
    foreach (['x', str_repeat('a', 27), '../', 'a b'] as $nonsense) {
        $this->getJson("/api/maps/{$this->map->id}/edits?since=0&at=".rawurlencode($nonsense))->assertUnprocessable();
    }
    app(Shares::class)->end(app(Shares::class)->of($this->map)->where('email', $this->bram->email)->firstOrFail());
    $this->travel(9)->seconds();
    expect($ask($this->tove, $boats))->toBe([]);
});

it('keeps what two write into one text at the same time, says where both wrote over the same words, and lets each take back their own', function () {
    app(Shares::class)->give($this->tove, $this->map, $this->ines->email, Role::Edit);
    $boats = $this->id($this->map, 'Boats');
    $write = fn (Person $who, string $note, string $was) => [($this->be)($who), $this->sendEdits($this->map, [['name' => 'topic.note', 'topics' => [$boats], 'note' => $note, 'was' => $was]], $this->map->fresh()->seq)][1];
    $note = fn (): string => $this->topics($this->map)->topic($boats)->note;
    $write($this->tove, 'Three boats come.', '')->assertJsonPath('edits.0.status', 'done')->assertJsonMissing(['both' => true]);
    $write($this->ines, 'Three red boats come.', 'Three boats come.');
    $answer = $write($this->tove, 'Three boats come at dusk.', 'Three boats come.')->assertJsonMissing(['both' => true]);
    // Whoever wrote is told what stands there now.
    expect($note())->toBe('Three red boats come at dusk.')->and((string) json_encode($answer->json('rows')))->toContain('Three red boats come at dusk.');
    $answer = $write($this->ines, 'Four red boats come at dusk.', $note());
    $answer = $write($this->tove, 'Nine red boats come at dusk.', 'Three red boats come at dusk.')->assertJsonPath('edits.0.both', true);
    expectShape('EditsAnswer', json_decode($answer->getContent()));
    expect($note())->toBe('Four / Nine red boats come at dusk.');
    // Who wrote last takes back their own words; who wrote before is told that something was written since.
    ($this->be)($this->ines);
    $this->sendEdits($this->map, [['name' => 'undo']], $this->map->fresh()->seq)->assertJsonPath('edits.0.refusal.code', 'changed_since');
    ($this->be)($this->tove);
    $this->sendEdits($this->map, [['name' => 'undo']], $this->map->fresh()->seq)->assertJsonPath('edits.0.status', 'done');
    expect($note())->toBe('Four red boats come at dusk.');
    $write($this->tove, 'x', "a\0b")->assertJsonPath('edits.0.status', 'done');
    ($this->be)($this->tove);
    $this->sendEdits($this->map, [['name' => 'topic.note', 'topics' => [$boats], 'note' => 'x', 'was' => ['no' => 'text']]], $this->map->fresh()->seq)->assertJsonPath('edits.0.status', 'refused');
});
