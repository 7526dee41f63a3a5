<?php

declare(strict_types=1);

namespace Bench;

/** A caller of the API over HTTP, as a browser is one: with cookies, a token, and gzip. */
final class Client
{
    private readonly \CurlHandle $connection;

    /** @param  non-empty-string  $address */
    public function __construct(private readonly string $address)
    {
        $this->connection = curl_init();
    }

    /** Signs in as the demo person. */
    public function enter(): void
    {
        $this->call('GET', '/api/me');
        $this->call('POST', '/api/demo', []);
    }

    /**
     * @param  non-empty-string  $method
     * @param  array<string, mixed>|string|null  $body  a file as it is, or what becomes JSON
     * @return array{array<string, mixed>, float, int} the answer, the milliseconds it took, the server's peak memory in bytes
     */
    public function call(string $method, string $path, array|string|null $body = null): array
    {
        $token = '';
        foreach (curl_getinfo($this->connection, CURLINFO_COOKIELIST) ?: [] as $cookie) {
            if (preg_match('/XSRF-TOKEN\t(\S+)/', $cookie, $m) === 1) {
                $token = urldecode($m[1]);
            }
        }
        $memory = 0;
        curl_setopt_array($this->connection, [
            CURLOPT_URL => $this->address.$path,
            CURLOPT_RETURNTRANSFER => true,
            CURLOPT_CUSTOMREQUEST => $method,
            // Kept in memory, in no file.
            CURLOPT_COOKIEFILE => '',
            CURLOPT_ENCODING => 'gzip',
            CURLOPT_HTTPHEADER => ['Accept: application/json', 'Content-Type: application/json', "X-XSRF-TOKEN: {$token}"],
            CURLOPT_POSTFIELDS => is_array($body) ? json_encode($body, JSON_THROW_ON_ERROR) : (string) $body,
            CURLOPT_HEADERFUNCTION => function (\CurlHandle $_, string $header) use (&$memory): int {
                if (preg_match('/^X-Peak-Memory: (\d+)/i', $header, $m) === 1) {
                    $memory = (int) $m[1];
                }

                return strlen($header);
            },
        ]);
        $begin = hrtime(true);
        $answer = curl_exec($this->connection);
        $time = (hrtime(true) - $begin) / 1e6;
        // Of a file it is told how large it is.
        $data = is_string($answer) ? json_decode($answer, true) ?? (str_starts_with($answer, 'PK') ? ['bytes' => strlen($answer)] : null) : null;
        if (! is_array($data) || curl_getinfo($this->connection, CURLINFO_RESPONSE_CODE) >= 400) {
            throw new \RuntimeException("{$method} {$path}: ".(is_string($answer) ? substr($answer, 0, 300) : curl_error($this->connection)));
        }

        return [$data, $time, $memory];
    }
}
