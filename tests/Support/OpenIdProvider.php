<?php

declare(strict_types=1);

namespace Tests\Support;

use Firebase\JWT\JWT;
use OpenSSLAsymmetricKey;
use RuntimeException;

/**
 * A small identity provider: it says where it is, lets in whoever it was told to, and signs what it says of them. It
 * checks what a good one checks (the client, the address to which it sends back, the proof of the code's owner), and can
 * be told to say something wrong.
 */
final class OpenIdProvider
{
    public const CLIENT = 'chalk-tree';

    public const SECRET = 'a secret of the harbour office';

    private readonly OpenSSLAsymmetricKey $key;

    /** @var array<string, array<string, string>> what was asked with each code */
    private array $codes = [];

    /** @var array<string, mixed> claims that it says besides, or otherwise; null leaves one out */
    public array $says = [];

    /** @var array<string, mixed> of itself, otherwise */
    public array $is = [];

    /** Another key signs than that which it tells. */
    public bool $isForged = false;

    public function __construct(private readonly string $issuer)
    {
        $key = openssl_pkey_new(['private_key_bits' => 2048, 'private_key_type' => OPENSSL_KEYTYPE_RSA]);
        $this->key = $key !== false ? $key : throw new RuntimeException('No key.');
    }

    /** @return array<string, mixed> */
    public function configuration(): array
    {
        return $this->is + ['issuer' => $this->issuer, 'authorization_endpoint' => "{$this->issuer}/authorize", 'token_endpoint' => "{$this->issuer}/token", 'jwks_uri' => "{$this->issuer}/keys"];
    }

    /** @return array<string, mixed> */
    public function keys(): array
    {
        $details = openssl_pkey_get_details($this->key);
        $plain = fn (string $bytes): string => rtrim(strtr(base64_encode($bytes), '+/', '-_'), '=');

        return ['keys' => [['kty' => 'RSA', 'use' => 'sig', 'alg' => 'RS256', 'kid' => 'one', 'n' => $plain((string) $details['rsa']['n']), 'e' => $plain((string) $details['rsa']['e'])]]];
    }

    /**
     * Somebody came with an address of ours, and signs in there.
     *
     * @param  string  $address  to which the browser was sent
     * @return string where it is sent back to
     */
    public function letIn(string $address): string
    {
        parse_str((string) parse_url($address, PHP_URL_QUERY), $asked);
        if (($asked['client_id'] ?? '') !== self::CLIENT || ($asked['response_type'] ?? '') !== 'code' || ! str_contains((string) ($asked['scope'] ?? ''), 'openid') || ($asked['code_challenge_method'] ?? '') !== 'S256') {
            throw new RuntimeException('This is not asked as it has to be.');
        }
        /** @var array<string, string> $asked */
        $this->codes[$code = bin2hex(random_bytes(12))] = $asked;

        return $asked['redirect_uri'].'?'.http_build_query(['code' => $code, 'state' => $asked['state']]);
    }

    /**
     * @param  array<string, mixed>  $form
     * @param  string  $authorization  the header
     * @return array{int, array<string, mixed>}
     */
    public function token(array $form, string $authorization): array
    {
        $asked = $this->codes[(string) ($form['code'] ?? '')] ?? null;
        unset($this->codes[(string) ($form['code'] ?? '')]);
        $isClient = $authorization === 'Basic '.base64_encode(rawurlencode(self::CLIENT).':'.rawurlencode(self::SECRET));
        $proof = rtrim(strtr(base64_encode(hash('sha256', (string) ($form['code_verifier'] ?? ''), true)), '+/', '-_'), '=');
        if ($asked === null || ! $isClient || $asked['redirect_uri'] !== ($form['redirect_uri'] ?? '') || $asked['code_challenge'] !== $proof) {
            return [400, ['error' => 'invalid_grant']];
        }
        $claims = array_filter($this->says + ['iss' => $this->issuer, 'sub' => 'wren-4', 'aud' => self::CLIENT, 'iat' => time(), 'exp' => time() + 300, 'nonce' => $asked['nonce'], 'email' => 'Marit@Saltmere.example', 'email_verified' => true, 'name' => 'Marit Aske'], fn (mixed $claim): bool => $claim !== null);
        $key = $this->isForged ? openssl_pkey_new(['private_key_bits' => 2048]) : $this->key;

        return [200, ['token_type' => 'Bearer', 'access_token' => 'none', 'id_token' => JWT::encode($claims, $key !== false ? $key : $this->key, 'RS256', 'one')]];
    }
}
