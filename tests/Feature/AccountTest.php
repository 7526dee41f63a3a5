<?php

declare(strict_types=1);

use App\Models\Person;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;

it('registers, signs out and signs in again', function () {
    $this->postJson('/api/register', ['name' => 'Tove', 'email' => 'Tove@Saltmere.example', 'password' => 'lantern light'])
        ->assertCreated()->assertJson(['person' => ['name' => 'Tove', 'email' => 'tove@saltmere.example']]);
    $this->assertAuthenticated();
    $this->postJson('/api/sign-out')->assertOk();
    $this->assertGuest();
    $this->postJson('/api/sign-in', ['email' => 'tove@saltmere.example', 'password' => 'lantern light'])->assertOk();
    $this->getJson('/api/me')->assertOk()->assertJson(['person' => ['name' => 'Tove'], 'demo' => false]);
});

it('keeps passwords hashed and out of every answer', function () {
    $answer = $this->postJson('/api/register', ['name' => 'Tove', 'email' => 'tove@saltmere.example', 'password' => 'lantern light']);
    $person = Person::query()->firstOrFail();

    expect(Hash::check('lantern light', $person->password))->toBeTrue()
        ->and($answer->getContent())->not->toContain($person->password)->not->toContain('lantern light');
});

it('refuses bad registrations with the field and a sentence', function (array $body, string $field) {
    $this->person('taken@saltmere.example');
    $this->postJson('/api/register', $body + ['name' => 'Tove', 'email' => 'tove@saltmere.example', 'password' => 'lantern light'])
        ->assertUnprocessable()->assertJson(['code' => 'invalid', 'field' => $field])->assertJsonStructure(['message']);
    $this->assertGuest();
})->with([
    [['name' => ''], 'name'],
    [['email' => 'nobody'], 'email'],
    [['email' => 'taken@saltmere.example'], 'email'],
    [['email' => 'TAKEN@saltmere.example'], 'email'],
    [['password' => 'short'], 'password'],
    [['password' => ['x']], 'password'],
]);

it('does not let in with a wrong password, nor tell whether the address is known', function () {
    $this->person();
    $known = $this->postJson('/api/sign-in', ['email' => 'tove@saltmere.example', 'password' => 'wrong'])->assertUnprocessable();
    $unknown = $this->postJson('/api/sign-in', ['email' => 'nobody@saltmere.example', 'password' => 'wrong'])->assertUnprocessable();

    expect($known->json())->toBe($unknown->json());
    $this->assertGuest();
});

it('limits how often anyone can try', function (string $route) {
    for ($i = 0; $i < 10; $i++) {
        $this->postJson("/api/{$route}", ['email' => 'tove@saltmere.example'])->assertStatus($route === 'forgot-password' ? 200 : 422);
    }
    $this->postJson("/api/{$route}", ['email' => 'tove@saltmere.example'])->assertTooManyRequests()->assertJson(['code' => 'too_many']);
})->with(['sign-in', 'register', 'forgot-password', 'reset-password']);

it('sends a letter to the outbox with a link that sets a new password, once', function () {
    $person = $this->person();
    $said = $this->postJson('/api/forgot-password', ['email' => 'tove@saltmere.example'])->assertOk()->json();
    expect($this->postJson('/api/forgot-password', ['email' => 'nobody@saltmere.example'])->assertOk()->json())->toBe($said)
        ->and(DB::table('letters')->count())->toBe(1);
    preg_match('~/reset-password\?\S+~', DB::table('letters')->value('text'), $m);
    parse_str(parse_url($m[0], PHP_URL_QUERY), $link);

    $new = ['token' => $link['token'], 'email' => $link['email'], 'password' => 'another long one'];
    $this->postJson('/api/reset-password', ['token' => 'made up'] + $new)->assertUnprocessable()->assertJson(['code' => 'link_spent']);
    $this->postJson('/api/reset-password', $new)->assertOk();
    expect(Hash::check('another long one', $person->fresh()->password))->toBeTrue();
    $this->postJson('/api/reset-password', $new)->assertUnprocessable();
});

it('sends links to its own address only, whatever host is asked', function () {
    $this->person();
    $this->postJson('http://evil.example/api/forgot-password', ['email' => 'tove@saltmere.example'])->assertOk();
    $text = (string) DB::table('letters')->value('text');

    expect($text)->toContain(config('app.url').'/reset-password?token=')
        ->not->toContain('evil.example/reset-password');
});

it('keeps nobody signed in who has signed out, and gives every sign-in a session of its own', function () {
    $this->person();
    $enter = fn () => $this->postJson('/api/sign-in', ['email' => 'tove@saltmere.example', 'password' => 'a long password'])->assertOk();
    $this->getJson('/api/me');
    $before = session()->getId();
    $enter();
    $during = session()->getId();
    $this->postJson('/api/sign-out')->assertOk()->assertExactJson(['person' => null]);

    expect($during)->not->toBe($before)
        ->and(session()->getId())->not->toBe($during);
    $this->getJson('/api/maps')->assertUnauthorized();
});

it('takes an address in any case as the same person', function (string $email) {
    $this->person();
    $this->postJson('/api/sign-in', ['email' => $email, 'password' => 'a long password'])
        ->assertOk()->assertJsonPath('person.email', 'tove@saltmere.example');
})->with(['tove@saltmere.example', 'TOVE@saltmere.example', 'Tove@Saltmere.Example']);

it('takes no password of another kind than text', function (mixed $password) {
    $this->person();
    $this->postJson('/api/sign-in', ['email' => 'tove@saltmere.example', 'password' => $password])
        ->assertUnprocessable()->assertJsonPath('field', 'password');
})->with([[null], [['a long password']], [true], [str_repeat('x', 201)]]);

it('has a demo person and an open outbox only in a demo installation', function () {
    $this->person('wren@saltmere.example');
    $this->postJson('/api/demo')->assertNotFound();
    $this->get('/outbox')->assertNotFound();

    config(['chalk.demo' => true]);
    $this->postJson('/api/demo')->assertOk()->assertJson(['person' => ['name' => 'Wren']]);
    DB::table('letters')->insert(['recipient' => 'a@b', 'subject' => '<script>', 'text' => 'go to http://a.b/c', 'sent_at' => now()]);
    $this->get('/outbox')->assertOk()->assertSee('<a href="http://a.b/c">', false)->assertDontSee('<script>', false);
});

it('sends headers that keep foreign code and frames out', function () {
    $policy = (string) $this->get('/')->assertOk()->headers->get('Content-Security-Policy');

    expect($policy)->toContain("script-src 'self'")->toContain("frame-ancestors 'self'")->not->toContain('http');
});
