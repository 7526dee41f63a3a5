<?php

declare(strict_types=1);

use App\Models\Person;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;

/** The link in the letter that an address got last. */
function linkFor(string $email): array
{
    preg_match('~/(?:finish-registration|reset-password)\?(\S+)~', (string) DB::table('letters')->where('recipient', $email)->orderByDesc('id')->value('text'), $m);
    parse_str($m[1] ?? '', $link);

    return $link;
}

it('registers by a letter, signs out and signs in again', function () {
    $said = $this->postJson('/api/register', ['name' => ' Tove ', 'email' => 'Tove@Saltmere.example'])->assertOk()->assertJson(['letter' => null])->json();
    $this->assertGuest();
    expect(Person::query()->count())->toBe(0);
    $link = linkFor('tove@saltmere.example');
    $this->postJson('/api/register/finish', $link + ['password' => 'short'])->assertUnprocessable()->assertJsonPath('field', 'password');
    $this->postJson('/api/register/finish', ['token' => 'made up', 'password' => 'lantern light'])->assertUnprocessable()->assertJsonPath('code', 'link_spent');
    $this->postJson('/api/register/finish', $link + ['password' => 'lantern light'])
        ->assertCreated()->assertJson(['person' => ['name' => 'Tove', 'email' => 'tove@saltmere.example']]);
    $this->assertAuthenticated();
    $this->postJson('/api/register/finish', $link + ['password' => 'another light'])->assertUnprocessable()->assertJsonPath('code', 'link_spent');
    $this->postJson('/api/sign-out')->assertOk();
    $this->assertGuest();
    $this->postJson('/api/sign-in', ['email' => 'tove@saltmere.example', 'password' => 'lantern light'])->assertOk();
    $this->getJson('/api/me')->assertOk()->assertJson(['person' => ['name' => 'Tove'], 'demo' => false]);

    // Whoever asks with an address that is taken hears the same; its owner gets another letter.
    $this->postJson('/api/sign-out');
    expect($this->postJson('/api/register', ['name' => 'Eve', 'email' => 'tove@saltmere.example'])->assertOk()->json())->toBe($said)
        ->and(linkFor('tove@saltmere.example'))->toBe([])
        ->and(DB::table('letters')->orderByDesc('id')->value('subject'))->toContain('have a Chalk Tree account');
});

it('refuses a zero byte wherever it comes', function () {
    $this->postJson('/api/register', ['name' => "a\0b", 'email' => 'tove@saltmere.example'])->assertStatus(400)->assertJsonPath('code', 'unreadable');
    $this->get('/%00')->assertStatus(400);
    $this->actingAs($this->person())->getJson('/api/quick?words=%00')->assertStatus(400);
    $this->postJson('/api/folders', ['name' => "a\0b"])->assertCreated();
});

it('forgets a link for registering after a day', function () {
    $this->postJson('/api/register', ['name' => 'Tove', 'email' => 'tove@saltmere.example'])->assertOk();
    $this->travel(25)->hours();
    $this->postJson('/api/register/finish', linkFor('tove@saltmere.example') + ['password' => 'lantern light'])->assertUnprocessable()->assertJsonPath('code', 'link_spent');
});

it('keeps passwords hashed and out of every answer', function () {
    $this->postJson('/api/register', ['name' => 'Tove', 'email' => 'tove@saltmere.example']);
    $answer = $this->postJson('/api/register/finish', linkFor('tove@saltmere.example') + ['password' => 'lantern light']);
    $person = Person::query()->firstOrFail();

    expect(Hash::check('lantern light', $person->password))->toBeTrue()
        ->and($answer->getContent())->not->toContain($person->password)->not->toContain('lantern light');
});

it('refuses bad registrations with the field and a sentence', function (array $body, string $field) {
    $this->postJson('/api/register', $body + ['name' => 'Tove', 'email' => 'tove@saltmere.example'])
        ->assertUnprocessable()->assertJson(['code' => 'invalid', 'field' => $field])->assertJsonStructure(['message']);
    $this->assertGuest();
})->with([
    [['name' => ''], 'name'],
    [['email' => 'nobody'], 'email'],
    [['name' => ['x']], 'name'],
    [['email' => []], 'email'],
    [['email' => ['tove@saltmere.example']], 'email'],
    [['email' => "a\tb@saltmere.example"], 'email'],
    [['email' => null], 'email'],
]);

it('does not let in with a wrong password, nor tell whether the address is known', function () {
    $this->person();
    $known = $this->postJson('/api/sign-in', ['email' => 'tove@saltmere.example', 'password' => 'wrong'])->assertUnprocessable();
    $unknown = $this->postJson('/api/sign-in', ['email' => 'nobody@saltmere.example', 'password' => 'wrong'])->assertUnprocessable();

    expect($known->json())->toBe($unknown->json());
    $this->assertGuest();
});

it('limits how often anyone can try', function (string $route, array $body, int $status) {
    for ($i = 0; $i < 10; $i++) {
        $this->postJson("/api/{$route}", $body)->assertStatus($status);
    }
    $this->postJson("/api/{$route}", $body)->assertTooManyRequests()->assertJson(['code' => 'too_many'])->assertHeader('Retry-After');
})->with([
    ['sign-in', ['email' => 'tove@saltmere.example', 'password' => 'x'], 422],
    ['register', ['email' => 'tove@saltmere.example', 'name' => 'Tove'], 200],
    ['register/finish', ['token' => 'made up', 'password' => 'lantern light'], 422],
    ['forgot-password', ['email' => 'tove@saltmere.example'], 200],
    ['reset-password', ['email' => 'tove@saltmere.example', 'token' => 'x', 'password' => 'lantern light'], 422],
]);

it('ends the other sessions when a password is set anew', function () {
    $this->person();
    $enter = fn () => $this->postJson('/api/sign-in', ['email' => 'tove@saltmere.example', 'password' => 'a long password'])->assertOk();
    $enter();
    $this->getJson('/api/maps')->assertOk();
    $before = session()->all();
    Person::query()->where('email', 'tove@saltmere.example')->update(['password' => Hash::make('another long one')]);
    auth()->forgetGuards();
    session()->replace($before);
    $this->getJson('/api/maps')->assertUnauthorized();
});

it('hashes a password once whether the address is known or not', function () {
    $this->person();
    $hasher = new class extends Illuminate\Hashing\BcryptHasher
    {
        public int $checks = 0;

        public function check(#[SensitiveParameter] $value, $hashedValue, array $options = [])
        {
            $this->checks++;
            expect(password_get_info($hashedValue)['algo'])->toBe(PASSWORD_BCRYPT);

            return parent::check($value, $hashedValue, $options);
        }
    };
    Hash::swap($hasher);
    foreach (['tove', 'nobody'] as $name) {
        $this->postJson('/api/sign-in', ['email' => "{$name}@saltmere.example", 'password' => 'wrong'])->assertUnprocessable();
    }
    expect($hasher->checks)->toBe(2);
});

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

it('shows letters and opens the demo only on this machine, where nobody else can reach the server', function () {
    $this->person('wren@saltmere.example');
    DB::table('letters')->insert(['recipient' => 'a@b', 'subject' => '<script>', 'text' => 'go to http://a.b/c', 'sent_at' => now()]);
    $local = ['REMOTE_ADDR' => '127.0.0.1', 'SERVER_ADDR' => '127.0.0.1', 'HTTP_HOST' => '127.0.0.1:8000'];
    $far = ['REMOTE_ADDR' => '192.0.2.7'] + $local;
    $outbox = fn (array $server): int => $this->withServerVariables($server)->get('http://'.$server['HTTP_HOST'].'/outbox')->status();
    $demo = fn (array $server): int => $this->withServerVariables($server)->postJson('http://'.$server['HTTP_HOST'].'/api/demo')->status();

    expect($outbox($local))->toBe(404)->and($demo($local))->toBe(404);
    config(['chalk.demo' => true]);
    expect($outbox($local))->toBe(404)->and($demo($local))->toBe(404);

    config(['chalk.loopback' => true]);
    expect($outbox($local))->toBe(200)->and($demo($local))->toBe(200)
        ->and($outbox($far))->toBe(404)->and($demo($far))->toBe(404)
        ->and($outbox(['SERVER_ADDR' => '192.0.2.1'] + $local))->toBe(404)
        ->and($outbox(['HTTP_HOST' => 'maps.example.org'] + $local))->toBe(404)
        ->and($outbox(['HTTP_X_FORWARDED_FOR' => '192.0.2.7'] + $local))->toBe(404)
        ->and($outbox(['HTTP_FORWARDED' => 'for=192.0.2.7'] + $local))->toBe(404);
    $this->withServerVariables($local)->get('http://127.0.0.1:8000/outbox')->assertSee('<a href="http://a.b/c">', false)->assertDontSee('<script>', false);

    config(['chalk.demo_anywhere' => true]);
    expect($demo($far))->toBe(200)->and($outbox($far))->toBe(404);
});

it('shows a letter at once on this machine only', function () {
    config(['chalk.loopback' => true]);
    $ask = fn (string $from) => $this->withServerVariables(['REMOTE_ADDR' => $from, 'SERVER_ADDR' => '127.0.0.1'])
        ->postJson('http://localhost/api/register', ['name' => 'Tove', 'email' => 'tove@saltmere.example'])->assertOk()->json('letter');

    expect($ask('127.0.0.1'))->toContain('/finish-registration?token=')
        ->and($ask('192.0.2.7'))->toBeNull();
});

it('takes the word of proxies only where the settings say so', function () {
    $request = fn (): string => tap(Illuminate\Http\Request::create('/'), function ($request): void {
        $request->server->set('REMOTE_ADDR', '10.0.0.1');
        $request->headers->set('X-Forwarded-For', '192.0.2.7');
        (new Illuminate\Http\Middleware\TrustProxies)->handle($request, fn ($r) => $r);
    })->ip();
    expect($request())->toBe('10.0.0.1');
    config(['chalk.trusted_proxies' => '10.0.0.1, 10.0.0.2']);
    (new App\Providers\AppServiceProvider(app()))->boot();
    expect($request())->toBe('192.0.2.7');
    Illuminate\Http\Middleware\TrustProxies::flushState();
});

it('sends headers that keep foreign code and frames out', function () {
    $policy = (string) $this->get('/')->assertOk()->headers->get('Content-Security-Policy');

    // Pages that a person opens beside the map are all that comes from elsewhere, into a frame that may do little.
    expect($policy)->toContain("script-src 'self'")->toContain("frame-ancestors 'self'")->toContain("frame-src 'self' https:;")
        ->and(str_replace("frame-src 'self' https:;", '', $policy))->not->toContain('http');
    config(['chalk.demo' => true, 'chalk.stand_in' => 'http://127.0.0.1:8001']);
    expect((string) $this->get('/')->headers->get('Content-Security-Policy'))->toContain("frame-src 'self' https: http://127.0.0.1:8001;");
    config(['chalk.stand_in' => "http://127.0.0.1:8001; script-src 'unsafe-inline'"]);
    expect((string) $this->get('/')->headers->get('Content-Security-Policy'))->toContain("frame-src 'self' https:;")->not->toContain("script-src 'unsafe-inline'");
});
