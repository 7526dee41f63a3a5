<?php

declare(strict_types=1);

use App\Models\Person;
use Illuminate\Http\Client\ConnectionException;
use Illuminate\Http\Client\Request;
use Illuminate\Support\Facades\Http;
use Illuminate\Testing\TestResponse;
use Tests\Support\OpenIdProvider;

/* Signing in by the identity provider of an organisation. */

beforeEach(function () {
    config(['chalk.limits' => false, 'chalk.openid' => ['issuer' => 'https://who.harbour.example', 'client' => OpenIdProvider::CLIENT, 'secret' => OpenIdProvider::SECRET, 'name' => 'the harbour office']]);
    $this->provider = $provider = new OpenIdProvider('https://who.harbour.example');
    Http::preventStrayRequests();
    Http::fake([
        'https://who.harbour.example/.well-known/openid-configuration' => fn () => Http::response($provider->configuration()),
        'https://who.harbour.example/keys' => fn () => Http::response($provider->keys()),
        'https://who.harbour.example/token' => function (Request $request) use ($provider) {
            [$status, $answer] = $provider->token($request->data(), $request->header('Authorization')[0] ?? '');

            return Http::response($answer, $status);
        },
    ]);
    /** Goes there and comes back. */
    $this->come = function (?callable $otherwise = null): TestResponse {
        $back = $this->provider->letIn((string) $this->get('/api/openid')->assertRedirect()->headers->get('Location'));
        $path = parse_url($back, PHP_URL_PATH).'?'.parse_url($back, PHP_URL_QUERY);

        return $this->get($otherwise === null ? $path : $otherwise($path));
    };
});

it('lets somebody in whom the provider knows, who has an account from then on', function () {
    $this->getJson('/api/me')->assertJsonPath('provider', 'the harbour office');
    ($this->come)()->assertRedirect('/');
    $person = Person::query()->where('email', 'marit@saltmere.example')->firstOrFail();
    expect($person->name)->toBe('Marit Aske')->and($this->getJson('/api/me')->json('person.email'))->toBe('marit@saltmere.example');
    // Who has no password that they know is told so where one is asked for.
    $this->getJson('/api/me/account')->assertJsonPath('provider', 'the harbour office');
    $this->actingAs($this->person('tove@saltmere.example'))->getJson('/api/me/account')->assertJsonPath('provider', null);
    $this->person('tove@saltmere.example')->delete();
    $this->actingAs($person);
    // Known by whom the provider names, whatever the address is by then.
    $this->postJson('/api/sign-out');
    $this->provider->says = ['email' => 'aske@saltmere.example'];
    ($this->come)()->assertRedirect('/');
    expect(Person::query()->count())->toBe(1)->and($person->fresh()->email)->toBe('marit@saltmere.example');
    $this->postJson('/api/sign-out');
    // What is found by discovery is asked for once.
    Http::assertSentCount(5);
});

it('lets somebody into the account that they have at an address which the provider has verified', function () {
    $marit = $this->person('marit@saltmere.example');
    $map = $this->mapOf($marit);
    ($this->come)()->assertRedirect('/');
    $this->getJson("/api/maps/{$map->id}")->assertOk();
    expect(Person::query()->count())->toBe(1);
    // Somebody else whom the provider names so is somebody else.
    $this->postJson('/api/sign-out');
    $this->provider->says = ['sub' => 'another'];
    ($this->come)()->assertRedirect('/sign-in?why=taken');
    $this->assertGuest();
});

it('lets nobody in of whom the provider says something wrong', function (array $says, string $why) {
    $this->person('tove@saltmere.example');
    $this->provider->says = $says;
    ($this->come)()->assertRedirect("/sign-in?why={$why}");
    $this->assertGuest();
    expect(Person::query()->count())->toBe(1);
})->with([
    'an address that is not verified' => [['email' => 'tove@saltmere.example', 'email_verified' => false], 'unverified'],
    'verified in words' => [['email' => 'tove@saltmere.example', 'email_verified' => 'true'], 'unverified'],
    'no address' => [['email' => null], 'unverified'],
    'an address that is none' => [['email' => 'tove'], 'unverified'],
    'for another server' => [['aud' => 'another'], 'unchecked'],
    'for several, by another' => [['aud' => [OpenIdProvider::CLIENT, 'another'], 'azp' => 'another'], 'unchecked'],
    'by another provider' => [['iss' => 'https://other.example'], 'unchecked'],
    'of another time' => [['exp' => 1], 'unchecked'],
    'for ever' => [['exp' => null], 'unchecked'],
    'another’s answer' => [['nonce' => 'another'], 'unchecked'],
    'no nonce' => [['nonce' => null], 'unchecked'],
    'nobody' => [['sub' => ''], 'unchecked'],
]);

it('believes nothing that another key has signed, and no provider that says it is another', function () {
    $this->provider->isForged = true;
    ($this->come)()->assertRedirect('/sign-in?why=unchecked');
    cache()->flush();
    $this->provider->is = ['issuer' => 'https://other.example'];
    $this->get('/api/openid')->assertRedirect('/sign-in?why=unchecked');
    $this->provider->is = ['authorization_endpoint' => 'http://elsewhere.example/authorize'];
    $this->get('/api/openid')->assertRedirect('/sign-in?why=unchecked');
    expect(Person::query()->count())->toBe(0);
});

it('takes no answer that was not asked for, once more, or too late', function () {
    $state = fn (string $path): string => (string) preg_replace('/state=[^&]+/', 'state=another', $path);
    ($this->come)($state)->assertRedirect('/sign-in?why=late');
    $used = '';
    ($this->come)(function (string $path) use (&$used): string {
        return $used = $path;
    })->assertRedirect('/');
    $this->postJson('/api/sign-out');
    $this->get($used)->assertRedirect('/sign-in?why=late');
    ($this->come)(function (string $path): string {
        $this->travel(16)->minutes();

        return $path;
    })->assertRedirect('/sign-in?why=late');
    $this->get('/api/openid')->assertRedirect();
    foreach (['', '?error=access_denied&state=x', '?code[]=1&state=x', '?code='.str_repeat('a', 2001).'&state=x'] as $query) {
        $this->get("/api/openid/back{$query}")->assertRedirect('/sign-in?why=refused');
    }
    $this->get('/api/openid/back?code=x&state=x')->assertRedirect('/sign-in?why=late');
    $this->assertGuest();
});

it('says so where the provider cannot be reached, and is not there where none was named', function () {
    Http::swap(new Illuminate\Http\Client\Factory);
    Http::fake(fn () => throw new ConnectionException('gone'));
    cache()->flush();
    $this->get('/api/openid')->assertRedirect('/sign-in?why=unreachable');
    config(['chalk.openid.issuer' => '']);
    $this->get('/api/openid')->assertNotFound();
    $this->get('/api/openid/back?code=x&state=x')->assertNotFound();
    $this->getJson('/api/me')->assertJsonPath('provider', null);
});
