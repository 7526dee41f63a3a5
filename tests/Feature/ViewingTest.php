<?php

declare(strict_types=1);

use App\Mail\Outbox;
use App\Models\ViewingLink;
use App\Pictures\KeptPictures;
use App\Viewing\ViewingLinks;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\Map\Ids;
use ChalkTree\Picture\PictureFile;
use Tests\Support\Photos;
use Tests\Support\Sends;

beforeEach(function () {
    config(['chalk.limits' => false]);
    $this->tove = $this->person();
    $this->map = $this->mapOf($this->tove, new TopicDraft('Harbour', children: [
        new TopicDraft('Quay', 'open', 'Seen by all. {{Quillwort to oneself}}', [new TopicDraft('Crane')]),
        new TopicDraft('Quillwort', 'Quillwort', 'Nobody knows of Quillwort', [new TopicDraft('Quillwort below')]),
        new TopicDraft('Ferry'),
    ]));
    $this->actingAs($this->tove);
    [$quay, $held] = [$this->id($this->map, 'Quay'), $this->id($this->map, 'Quillwort')];
    [$this->seen, $this->hidden] = array_map(fn (int $wide): string => app(KeptPictures::class)->add($this->map, PictureFile::read(Photos::png($wide)))->hash, [40, 60]);
    $this->plan = Sends::kept($this->map, Sends::pdf())->hash;
    $this->secret = Sends::kept($this->map, 'Quillwort as a file')->hash;
    $this->sendEdits($this->map, [
        ['name' => 'row.set', 'type' => 'picture', 'topics' => [$quay], 'fields' => ['source' => "file:{$this->seen}"]],
        ['name' => 'row.set', 'type' => 'picture', 'topics' => [$held], 'fields' => ['source' => "file:{$this->hidden}"]],
        ['name' => 'row.set', 'type' => 'file', 'row' => Ids::next(), 'fields' => ['at' => $quay, 'source' => "file:{$this->plan}", 'name' => 'Tide plan.pdf', 'bytes' => 6]],
        ['name' => 'row.set', 'type' => 'file', 'row' => Ids::next(), 'fields' => ['at' => $held, 'source' => "file:{$this->secret}", 'name' => 'Quillwort.txt', 'bytes' => 6]],
        ['name' => 'row.set', 'type' => 'private', 'topics' => [$held], 'fields' => ['held' => true]],
    ])->assertJsonMissing(['status' => 'refused']);
    $this->make = fn (array $wish = []): ViewingLink => app(ViewingLinks::class)->make($this->map->fresh(), $wish + ['topic' => null, 'until' => null, 'password' => null, 'notes' => true, 'files' => true, 'copying' => true]);
    $this->below = fn (ViewingLink $link): array => array_map(fn (string $part): string => "/v/{$link->address}{$part}", ['', '/board.svg', '/drawing.svg', '/copy.opml', '/copy.md', "/pictures/{$this->seen}-small", "/pictures/{$this->seen}-large", "/files/{$this->plan}"]);
    auth()->forgetUser();
    $this->flushSession();
});

it('shows a map to whoever has the address, with no account, and counts them', function () {
    $link = ($this->make)();
    foreach (($this->below)($link) as $path) {
        $this->get($path)->assertOk()->assertHeader('Cache-Control', 'no-store, private')->assertHeaderMissing('Set-Cookie');
    }
    $html = $this->get("/v/{$link->address}")->assertOk()->getContent();
    expect($html)->toContain('Crane')->toContain('Seen by all')->toContain('Tide plan.pdf')->toContain('noindex')->toContain("/v/{$link->address}/board.svg")->not->toContain('/p/')->not->toContain('og:')
        ->and($this->get("/v/{$link->address}/copy.md")->getContent())->toContain('Crane')->and($link->fresh()?->views)->toBe(2)->and($link->fresh()?->last)->not->toBeNull();
});

it('has nothing private in it, whatever is wished, in any part of it', function (array $wish) {
    $link = ($this->make)($wish);
    foreach ([...($this->below)($link), "/v/{$link->address}/pictures/{$this->hidden}-small", "/v/{$link->address}/files/{$this->secret}"] as $path) {
        $answer = $this->get($path);
        expect([$path, stripos((string) $answer->getContent(), 'quillwort'), str_contains((string) $answer->getContent(), $this->hidden)])->toBe([$path, false, false]);
    }
    $this->get("/v/{$link->address}/pictures/{$this->hidden}-small")->assertNotFound();
    $this->get("/v/{$link->address}/files/{$this->secret}")->assertNotFound();
})->with(['all of it' => [[]], 'without notes' => [['notes' => false]], 'without files' => [['files' => false]], 'not to be copied' => [['copying' => false]]]);

it('leaves out what was not wished', function () {
    $link = ($this->make)(['notes' => false, 'files' => false, 'copying' => false]);
    expect($this->get("/v/{$link->address}")->assertOk()->getContent())->toContain('Crane')->not->toContain('Seen by all')->not->toContain('Tide plan.pdf')->not->toContain('OPML');
    foreach (['/copy.opml', '/copy.md', "/files/{$this->plan}"] as $path) {
        $this->get("/v/{$link->address}{$path}")->assertNotFound();
    }
    $branch = ($this->make)(['topic' => $this->id($this->map, 'Quay')]);
    expect($this->get("/v/{$branch->address}")->assertOk()->getContent())->toContain('Crane')->not->toContain('Ferry')->and($this->get("/v/{$branch->address}/copy.md")->getContent())->not->toContain('Ferry')->not->toContain('Harbour');
});

it('is gone at once when it is withdrawn, over, or its map is in the trash, and follows the map until then', function () {
    $link = ($this->make)(['until' => time() + 100]);
    $this->get("/v/{$link->address}")->assertOk()->assertDontSee('Lighthouse');
    $this->actingAs($this->tove);
    $this->sendEdits($this->map, [['name' => 'topic.retitle', 'topic' => $this->id($this->map, 'Ferry'), 'title' => 'Lighthouse']])->assertOk();
    $this->get("/v/{$link->address}")->assertOk()->assertSee('Lighthouse');
    $this->map->fresh()->update(['trashed_at' => now()]);
    array_map(fn (string $path) => $this->get($path)->assertNotFound(), ($this->below)($link));
    $this->map->fresh()->update(['trashed_at' => null]);
    $this->get("/v/{$link->address}")->assertOk();
    ViewingLink::query()->update(['until' => time() - 1]);
    array_map(fn (string $path) => $this->get($path)->assertNotFound(), ($this->below)($link));
    ViewingLink::query()->update(['until' => null]);
    $this->get("/v/{$link->address}")->assertOk();
    $this->deleteJson("/api/links/{$link->id}")->assertOk()->assertJsonPath('links', []);
    array_map(fn (string $path) => $this->get($path)->assertNotFound(), ($this->below)($link));
});

it('asks for a password, takes no other, and forgets who knew the one before', function () {
    $link = ($this->make)(['password' => 'mole and lamp']);
    $open = fn (string $body) => $this->call('POST', "/v/{$link->address}", content: $body, server: ['CONTENT_TYPE' => 'application/x-www-form-urlencoded']);
    foreach (($this->below)($link) as $path) {
        $answer = $this->get($path);
        expect(stripos((string) $answer->getContent(), 'crane'))->toBeFalse()->and($answer->getStatusCode())->toBe($path === "/v/{$link->address}" ? 200 : 404);
    }
    foreach (['password=lamp', 'password[]=mole+and+lamp', '', str_repeat('a', 5000), 'password='] as $body) {
        $open($body)->assertUnprocessable();
    }
    $right = $open('password=mole+and+lamp')->assertStatus(303);
    $cookie = $right->headers->getCookies()[0];
    expect($cookie->isHttpOnly())->toBeTrue()->and($cookie->getPath())->toBe("/v/{$link->address}")->and($link->fresh()?->views)->toBe(0);
    foreach (($this->below)($link) as $path) {
        $this->call('GET', $path, cookies: [$cookie->getName() => $cookie->getValue()])->assertOk();
    }
    // Another link is not opened by it, nor this one by another password's.
    $other = ($this->make)(['password' => 'mole and lamp']);
    expect($this->call('GET', "/v/{$other->address}", cookies: ["view_{$other->id}" => $cookie->getValue()])->getContent())->not->toContain('Crane');
    $link->fresh()?->update(['password' => Illuminate\Support\Facades\Hash::make('another one')]);
    expect($this->call('GET', "/v/{$link->address}", cookies: [$cookie->getName() => $cookie->getValue()])->getContent())->not->toContain('Crane');
});

it('lets nobody try passwords for long', function () {
    $link = ($this->make)(['password' => 'mole and lamp']);
    foreach (range(1, 10) as $ignored) {
        $this->call('POST', "/v/{$link->address}", content: 'password=x')->assertUnprocessable();
    }
    $this->call('POST', "/v/{$link->address}", content: 'password=mole+and+lamp')->assertStatus(429);
});

it('is made, told, and sent by letter', function () {
    $this->actingAs($this->tove);
    $body = ['topic' => $quay = $this->id($this->map, 'Quay'), 'until' => now()->addDays(3)->format('Y-m-d'), 'password' => 'mole and lamp', 'notes' => true, 'files' => false, 'copying' => false];
    $answer = $this->postJson("/api/maps/{$this->map->id}/links", $body)->assertCreated();
    expectShape('LinksAnswer', json_decode($answer->getContent()));
    expect($answer->json('links.0'))->toMatchArray(['topic' => $quay, 'title' => 'Quay', 'isOver' => false, 'hasPassword' => true, 'files' => false, 'views' => 0, 'last' => null])->and($answer->getContent())->not->toContain('mole and lamp')->and(ViewingLink::query()->toBase()->value('address'))->not->toBe(basename((string) $answer->json('links.0.url')));
    $this->postJson('/api/links/'.$answer->json('links.0.id').'/letter', ['email' => 'friend@saltmere.example', 'words' => 'Look at the quay.'])->assertOk();
    expect((string) app(Outbox::class)->latest('friend@saltmere.example'))->toContain($answer->json('links.0.url'))->toContain('Look at the quay.')->toContain('asks for a password')->not->toContain('mole and lamp');
});

it('says no to wishes that make no sense', function (Closure $wish, int $status) {
    $this->actingAs($this->tove);
    $this->postJson("/api/maps/{$this->map->id}/links", $wish($this) + ['topic' => null, 'until' => null, 'password' => null, 'notes' => true, 'files' => false, 'copying' => false])->assertStatus($status);
    expect(ViewingLink::query()->count())->toBe(0);
})->with([
    'a day that is over' => [fn () => ['until' => '2020-01-01'], 422], 'no day' => [fn () => ['until' => 'soon'], 422], 'a day with a null character' => [fn () => ['until' => "2099-01-01\0"], 422], 'a password with one' => [fn () => ['password' => "mole\0lamp"], 422], 'a day that there is not' => [fn () => ['until' => '2099-02-31'], 422], 'a short password' => [fn () => ['password' => 'abc'], 422], 'what is private' => [fn ($test) => ['topic' => $test->id($test->map, 'Quillwort')], 422],
    'a topic that is none' => [fn () => ['topic' => Ids::next()], 422], 'a word for yes' => [fn () => ['notes' => 'yes'], 422],
]);

it('is nothing at addresses that were made up', function () {
    foreach (['/v/'.str_repeat('a', 20), '/v/'.str_repeat('a', 20).'/board.svg', '/v/x', '/v/'.str_repeat('a', 20).'/etc/passwd'] as $path) {
        $this->get($path)->assertNotFound();
    }
    $this->call('POST', '/v/'.str_repeat('a', 20), content: 'password=x')->assertNotFound();
});
