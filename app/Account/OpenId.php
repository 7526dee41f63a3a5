<?php

declare(strict_types=1);

namespace App\Account;

use App\Models\Person;
use Firebase\JWT\JWK;
use Firebase\JWT\JWT;
use Illuminate\Contracts\Cache\Repository;
use Illuminate\Contracts\Session\Session;
use Illuminate\Http\Client\ConnectionException;
use Illuminate\Http\Client\Factory;
use Illuminate\Http\Client\Response;
use Illuminate\Support\Facades\Config;
use Illuminate\Support\Str;
use Throwable;

/**
 * Signing in by the identity provider of an organisation: OpenID Connect Core 1.0, the authorization code flow with PKCE
 * (RFC 7636), found by OpenID Connect Discovery 1.0. Whoever runs the server says which provider that is and trusts its
 * word on addresses that it has verified.
 */
final readonly class OpenId
{
    private const KEY = 'openid';

    /** Seconds that somebody has at the provider. */
    private const PATIENCE = 900;

    /** Seconds for which what the provider says of itself is kept. */
    private const KNOWN = 3600;

    /** Seconds. */
    private const TIMEOUT = 10;

    /** How far its clock may be off, in seconds. */
    private const DRIFT = 60;

    public function __construct(private Factory $http, private Repository $cache)
    {
    }

    /** What the provider is called; null where there is none. */
    public static function name(): ?string
    {
        return Config::string('chalk.openid.issuer') === '' ? null : Config::string('chalk.openid.name');
    }

    /**
     * The address at the provider to which a browser goes.
     *
     * @throws NotSignedIn
     */
    public function begin(Session $session): string
    {
        [$state, $nonce, $verifier] = [Str::random(40), Str::random(40), Str::random(64)];
        $session->put(self::KEY, ['state' => $state, 'nonce' => $nonce, 'verifier' => $verifier, 'until' => now()->getTimestamp() + self::PATIENCE]);
        $at = $this->said('authorization_endpoint');

        return $at.(str_contains($at, '?') ? '&' : '?').http_build_query([
            'response_type' => 'code', 'client_id' => Config::string('chalk.openid.client'), 'redirect_uri' => self::back(), 'scope' => 'openid email profile', 'state' => $state, 'nonce' => $nonce,
            'code_challenge' => rtrim(strtr(base64_encode(hash('sha256', $verifier, true)), '+/', '-_'), '='), 'code_challenge_method' => 'S256',
        ]);
    }

    /**
     * Who comes back from the provider: somebody who came so before, or has an account at the address that it has
     * verified, or somebody new.
     *
     * @throws NotSignedIn
     */
    public function finish(Session $session, string $state, string $code): Person
    {
        $begun = $session->pull(self::KEY);
        if (! is_array($begun) || ($begun['until'] ?? 0) < now()->getTimestamp() || ! is_string($begun['state'] ?? null) || ! hash_equals($begun['state'], $state)) {
            throw new NotSignedIn('late');
        }
        $claims = $this->claims($code, (string) $begun['verifier'], (string) $begun['nonce']);
        $email = mb_strtolower(trim((string) ($claims['email'] ?? '')));
        if (($claims['email_verified'] ?? false) !== true || filter_var($email, FILTER_VALIDATE_EMAIL) === false || strlen($email) > 200) {
            throw new NotSignedIn('unverified');
        }
        $subject = hash('sha256', Config::string('chalk.openid.issuer')."\n".(string) ($claims['sub'] ?? ''));
        $person = Person::query()->where('openid', $subject)->first() ?? Person::query()->where('email', $email)->where('openid', null)->where('pupil_of', null)->first();
        if ($person !== null) {
            $person->forceFill(['openid' => $subject])->save();

            return $person;
        }
        if (Person::query()->where('email', $email)->exists()) {
            throw new NotSignedIn('taken');
        }
        $name = trim((string) preg_replace('/[[:cntrl:]\s]+/u', ' ', is_string($claims['name'] ?? null) ? mb_scrub($claims['name']) : ''));

        $new = (new Person)->forceFill(['name' => mb_substr($name === '' ? Str::before($email, '@') : $name, 0, 100), 'email' => $email, 'password' => Str::random(60), 'openid' => $subject]);
        $new->save();

        return $new;
    }

    /**
     * What the provider says of whoever a code stands for.
     *
     * @return array<string, mixed>
     *
     * @throws NotSignedIn
     */
    private function claims(string $code, string $verifier, string $nonce): array
    {
        $answer = $this->ask(fn () => $this->http->asForm()->withBasicAuth(rawurlencode(Config::string('chalk.openid.client')), rawurlencode(Config::string('chalk.openid.secret')))->timeout(self::TIMEOUT)->withoutRedirecting()
            ->post($this->said('token_endpoint'), ['grant_type' => 'authorization_code', 'code' => $code, 'redirect_uri' => self::back(), 'code_verifier' => $verifier]));
        $token = $answer->json('id_token');
        $keys = $this->ask(fn () => $this->http->timeout(self::TIMEOUT)->withoutRedirecting()->get($this->said('jwks_uri')))->json();
        JWT::$leeway = self::DRIFT;
        try {
            // Signed by a key of the provider's, in a way that its keys say; never unsigned, never by our secret.
            $claims = (array) JWT::decode(is_string($token) ? $token : '', JWK::parseKeySet(is_array($keys) ? $keys : [], 'RS256'));
        } catch (Throwable) {
            throw new NotSignedIn('unchecked');
        }
        $audience = (array) ($claims['aud'] ?? []);
        $client = Config::string('chalk.openid.client');
        $isOurs = ($claims['iss'] ?? null) === Config::string('chalk.openid.issuer') && in_array($client, $audience, true) && (count($audience) === 1 || ($claims['azp'] ?? null) === $client) && is_int($claims['exp'] ?? null);
        if (! $isOurs || ! is_string($claims['nonce'] ?? null) || ! hash_equals($nonce, $claims['nonce']) || ! is_string($claims['sub'] ?? null) || $claims['sub'] === '') {
            throw new NotSignedIn('unchecked');
        }

        return $claims;
    }

    /**
     * An address that the provider says of itself.
     *
     * @throws NotSignedIn
     */
    private function said(string $which): string
    {
        $issuer = Config::string('chalk.openid.issuer');
        $known = $this->cache->get($key = 'openid '.hash('xxh128', $issuer));
        if (! is_array($known)) {
            $known = $this->ask(fn () => $this->http->timeout(self::TIMEOUT)->withoutRedirecting()->get(rtrim($issuer, '/').'/.well-known/openid-configuration'))->json();
            if (! is_array($known) || ($known['issuer'] ?? null) !== $issuer) {
                throw new NotSignedIn('unchecked');
            }
            $this->cache->put($key, $known, self::KNOWN);
        }
        $address = $known[$which] ?? null;
        // Nothing secret goes over a line that others can listen to, but on this machine.
        if (! is_string($address) || preg_match('~\A(?:https://|http://(?:127\.0\.0\.1|localhost)[:/])~', $address) !== 1) {
            throw new NotSignedIn('unchecked');
        }

        return $address;
    }

    /**
     * @param  callable(): Response  $ask
     *
     * @throws NotSignedIn
     */
    private function ask(callable $ask): Response
    {
        try {
            $answer = $ask();
        } catch (ConnectionException) {
            throw new NotSignedIn('unreachable');
        }

        return $answer->successful() ? $answer : throw new NotSignedIn('refused');
    }

    private static function back(): string
    {
        return rtrim(Config::string('app.url'), '/').'/api/openid/back';
    }
}
