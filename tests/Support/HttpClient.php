<?php

declare(strict_types=1);

namespace Tests\Support;

use CurlHandle;
use RuntimeException;

/** Somebody who talks to a real server as a browser does: with cookies of their own, a token, and JSON. */
final class HttpClient implements Client
{
    private string $cookies = '';

    private string $token = '';

    public function __construct(private readonly string $address)
    {
        $this->call('GET', '/api/me');
    }

    public function enter(): void
    {
        $this->call('POST', '/api/demo', []);
    }

    public function register(string $name, string $email): void
    {
        $letter = (string) $this->call('POST', '/api/register', ['name' => $name, 'email' => $email])['letter'];
        preg_match('/token=(\S+)/', $letter, $m);
        $this->call('POST', '/api/register/finish', ['token' => urldecode($m[1] ?? ''), 'password' => 'a long enough password']);
    }

    /**
     * @param  array<string, mixed>|null  $body
     * @return array<string, mixed>
     */
    public function call(string $method, string $path, ?array $body = null): array
    {
        [$status, $data] = $this->ask($method, $path, $body);

        return $status < 400 && is_array($data) ? $data : throw new RuntimeException("{$method} {$path}: {$status} ".json_encode($data));
    }

    /**
     * @param  array<string, mixed>|null  $body
     * @return array{int, mixed} the status, 0 where nothing came, and the answer's JSON
     */
    public function ask(string $method, string $path, ?array $body = null): array
    {
        $handle = $this->handle($method, $path, $body === null ? '' : (string) json_encode($body), ['Content-Type: application/json']);
        curl_setopt($handle, CURLOPT_HEADERFUNCTION, function (CurlHandle $_, string $line): int {
            if (preg_match('/^Set-Cookie: (chalk_tree_session|XSRF-TOKEN)=([^;]+)/i', $line, $m) === 1) {
                $this->cookies = trim((string) preg_replace("/{$m[1]}=[^;]+(; )?/", '', $this->cookies)."; {$m[1]}={$m[2]}", '; ');
                $this->token = $m[1] === 'XSRF-TOKEN' ? urldecode($m[2]) : $this->token;
            }

            return strlen($line);
        });
        $answer = curl_exec($handle);

        return [(int) curl_getinfo($handle, CURLINFO_RESPONSE_CODE), is_string($answer) ? json_decode($answer, true, 4096) : null];
    }

    /** @param  list<string>  $headers */
    public function handle(string $method, string $path, string $body, array $headers): CurlHandle
    {
        $handle = curl_init($this->address.$path);
        curl_setopt_array($handle, [
            CURLOPT_RETURNTRANSFER => true,
            CURLOPT_CUSTOMREQUEST => $method,
            CURLOPT_COOKIE => $this->cookies,
            CURLOPT_PATH_AS_IS => true,
            CURLOPT_TIMEOUT => 60,
            CURLOPT_HTTPHEADER => [...$headers, ...(array_filter($headers, fn (string $one): bool => str_starts_with($one, 'Accept:')) === [] ? ['Accept: application/json'] : []), "X-XSRF-TOKEN: {$this->token}", 'Expect:'],
        ]);
        if ($method !== 'GET') {
            curl_setopt($handle, CURLOPT_POSTFIELDS, $body);
        }

        return $handle;
    }
}
