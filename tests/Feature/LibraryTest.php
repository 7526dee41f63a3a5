<?php

declare(strict_types=1);

use App\Models\MapRecord;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\Map\Ids;

it('lists, makes, duplicates, trashes and restores maps', function () {
    $this->actingAs($this->person());
    $id = $this->postJson('/api/maps', ['title' => 'Lantern *festival*'])->assertCreated()->json('id');
    $this->getJson('/api/maps')->assertOk()->assertJson(['maps' => [['id' => $id, 'title' => 'Lantern *festival*', 'topics' => 1]], 'trash' => []]);

    $copy = $this->postJson("/api/maps/{$id}/duplicate")->assertCreated()->json('id');
    $this->getJson('/api/maps')->assertJsonPath('maps.*.title', ['Lantern *festival* (copy)', 'Lantern *festival*']);

    $this->deleteJson("/api/maps/{$copy}")->assertOk();
    $this->getJson('/api/maps')->assertJsonCount(1, 'maps')->assertJsonPath('trash.0.id', $copy);
    $this->getJson("/api/maps/{$copy}")->assertStatus(410)->assertJson(['code' => 'in_trash']);
    $this->postJson("/api/maps/{$copy}/restore")->assertOk();
    $this->getJson("/api/maps/{$copy}")->assertOk();
});

it('calls a new map by its root until it is given a name', function () {
    $this->actingAs($this->person());
    $map = MapRecord::query()->findOrFail($this->postJson('/api/maps')->json('id'));
    $this->getJson('/api/maps')->assertJsonPath('maps.0.title', 'Untitled map');
    $this->sendEdits($map, [['name' => 'topic.retitle', 'topic' => $map->root, 'title' => '**Quay** works']]);
    $this->getJson('/api/maps')->assertJsonPath('maps.0.title', 'Quay works');
    $this->sendEdits($map, [['name' => 'map.rename', 'title' => 'Works']]);
    $this->getJson('/api/maps')->assertJsonPath('maps.0.title', 'Works');
});

it('imports a file and exports it in every format', function () {
    $this->actingAs($this->person());
    $id = $this->call('POST', '/api/maps/import?name='.rawurlencode('Fest & more.md'), content: "# Fest\n\n## Boats\n- **Ferry**", server: ['HTTP_ACCEPT' => 'application/json'])
        ->assertCreated()->json('id');
    foreach (['json' => 'application/json', 'opml' => 'text/x-opml', 'md' => 'text/markdown', 'txt' => 'text/plain', 'ics' => 'text/calendar', 'svg' => 'image/svg+xml', 'png' => 'image/png'] as $to => $type) {
        $answer = $this->get("/api/maps/{$id}/export?to={$to}")->assertOk();
        expect($answer->headers->get('Content-Type'))->toStartWith($type)
            ->and($answer->headers->get('Content-Disposition'))->toContain("attachment; filename=Fest.{$to}")
            ->and(strlen($answer->getContent()))->toBeGreaterThan(10);
    }
    expect($this->get("/api/maps/{$id}/export?to=md")->getContent())->toBe("# Fest\n\n## Boats\n\n- **Ferry**\n")
        ->and($this->get("/api/maps/{$id}/export?to=md&headings=0")->getContent())->toBe("- Fest\n  - Boats\n    - **Ferry**\n")
        ->and($this->getJson("/api/maps/{$id}/export?to=md&headings=9")->assertStatus(422)->json('field'))->toBe('headings')
        ->and($this->getJson("/api/maps/{$id}/export?to=md&headings[]=1")->status())->toBe(422)
        ->and(substr($this->get("/api/maps/{$id}/export?to=png&width=300")->getContent(), 0, 8))->toBe("\x89PNG\r\n\x1a\n");
    [$width] = getimagesizefromstring($this->get("/api/maps/{$id}/export?to=png&width=300&board=slate")->getContent());
    expect($width)->toBe(300);
});

it('exports folded branches as shown on the board if asked to', function () {
    $this->actingAs($this->person());
    $map = $this->mapOf($this->person());
    $this->putJson("/api/maps/{$map->id}/view", ['since' => 0, 'folded' => [$this->id($map, 'Lanterns')], 'outlineFolded' => [], 'chosen' => null, 'scope' => null, 'outlineScope' => null])->assertOk();

    expect($this->get("/api/maps/{$map->id}/export?to=svg&as=shown")->getContent())->not->toContain('>Willow<')
        ->and($this->get("/api/maps/{$map->id}/export?to=svg")->getContent())->toContain('>Willow<');
});

it('imports nothing of a file that it cannot read', function () {
    $this->actingAs($this->person());
    $this->call('POST', '/api/maps/import?name=a.opml', content: '<opml><body><outline text="a">', server: ['HTTP_ACCEPT' => 'application/json'])
        ->assertUnprocessable()->assertJson(['code' => 'unreadable_file']);
    $this->call('POST', '/api/maps/import?name=a.exe&format=exe', content: 'x', server: ['HTTP_ACCEPT' => 'application/json'])->assertUnprocessable();
    $this->call('POST', '/api/maps/import', content: 'x', server: ['HTTP_ACCEPT' => 'application/json'])->assertUnprocessable();

    expect(MapRecord::query()->count())->toBe(0);
});

it('draws a small picture that a browser need not fetch twice', function () {
    $this->actingAs($this->person());
    $map = $this->mapOf($this->person());
    $answer = $this->get("/api/maps/{$map->id}/picture")->assertOk();
    expect($answer->getContent())->toContain('<svg')->and($answer->headers->get('Content-Security-Policy'))->toContain("default-src 'none'");
    $this->get("/api/maps/{$map->id}/picture", ['If-None-Match' => $answer->headers->get('ETag')])->assertStatus(304);
});

it('refuses export requests that make no sense', function (string $query) {
    $this->actingAs($this->person());
    $this->getJson("/api/maps/{$this->mapOf($this->person())->id}/export?{$query}")->assertUnprocessable();
})->with(['', 'to=exe', 'to=png&width=100000', 'to=png&width=x', 'to=svg&board=../x', 'to=svg&as=x']);

it('answers 404 on every route of a map that is somebody else’s or nobody’s', function (string $method, string $route, array $body) {
    $map = $this->mapOf($this->person('ines@saltmere.example'), new TopicDraft('Secret'));
    foreach ([$map->id, Ids::next(), 'x'] as $id) {
        $this->actingAs($this->person())->json($method, "/api/maps/{$id}{$route}", $body)
            ->assertNotFound()->assertJson(['code' => 'not_found'])->assertDontSee('Secret');
    }
    auth()->logout();
    $this->json($method, "/api/maps/{$map->id}{$route}", $body)->assertUnauthorized()->assertJson(['code' => 'signed_out']);
    expect(MapRecord::query()->count())->toBe(1)->and($map->fresh()->seq)->toBe(0)->and($map->fresh()->trashed_at)->toBeNull();
})->with([
    ['GET', '', []],
    ['DELETE', '', []],
    ['POST', '/restore', []],
    ['POST', '/duplicate', []],
    ['GET', '/picture', []],
    ['GET', '/export?to=json', []],
    ['GET', '/edits?since=0', []],
    ['POST', '/edits', ['since' => 0, 'edits' => [['name' => 'map.rename', 'title' => 'Mine']]]],
    ['PUT', '/view', ['since' => 0, 'folded' => [], 'outlineFolded' => [], 'chosen' => null, 'scope' => null, 'outlineScope' => null]],
    ['GET', '/history', []],
    ['GET', '/trash', []],
    ['DELETE', '/trash', []],
    ['PATCH', '', ['favourite' => true]],
    ['POST', '/rehearsal', ['edit' => ['name' => 'map.rename', 'title' => 'Mine']]],
    ['POST', '/find', ['find' => ['text' => 'Secret']]],
    ['POST', '/clip', ['text' => 'a']],
    ['POST', '/clip/picture', ['as' => 'one', 'lines' => [['level' => 0, 'text' => 'a']]]],
    ['POST', '/copy', ['topics' => ['01m83fb3naxzstcfd12bs9h8pw']]],
    ['GET', '/history/0', []],
    ['GET', '/history/0/picture?show=now', []],
    ['GET', '/history/0/branch/01m83fb3naxzstcfd12bs9h8pw', []],
]);

it('has no route without a check of who asks, but for the account, the page, what is published, and viewing links', function () {
    $open = collect(app('router')->getRoutes())->reject(fn ($route): bool => in_array('auth', $route->gatherMiddleware(), true))->map->uri()->values()->all();

    expect($open)->toEqualCanonicalizing(['api/openid', 'api/openid/back', 'api/sign-in/code', 'api/confirm-address', 'api/join', 'api/ideas/{code}', 'api/ideas/{code}', 'api/me', 'api/calendars/{address}.ics', 'api/register', 'api/register/finish', 'api/sign-in', 'api/demo', 'api/sign-out', 'api/forgot-password', 'api/reset-password', 'outbox', '{page?}', '-/health', '-/ready', '-/metrics', 'p/{address}', 'p/{address}/board.svg', 'p/{address}/drawing.svg', 'p/{address}/{width}.png', 'p/{address}/pictures/{hash}-{size}', 'p/{rest}', ...array_fill(0, 2, 'v/{address}'), 'v/{address}/board.svg', 'v/{address}/drawing.svg', 'v/{address}/copy.{format}', 'v/{address}/pictures/{hash}-{size}', 'v/{address}/files/{hash}', 'v/{rest}']);
    foreach (app('router')->getRoutes() as $route) {
        if (str_contains($route->uri(), '{map}')) {
            expect(collect($route->gatherMiddleware())->contains(fn (string $m): bool => str_contains($m, 'can:') || str_contains($m, 'Authorize:')))->toBeTrue($route->uri());
        }
    }
});
