<?php

declare(strict_types=1);

namespace Tests\Cluster;

use CurlHandle;
use CurlMultiHandle;
use Tests\Support\HttpClient;

/** Somebody who listens to a map as a browser does, and to another stream where one has ended. */
final class Listener
{
    private readonly CurlMultiHandle $multi;

    private string $heard = '';

    private bool $listens = false;

    public function __construct(private readonly HttpClient $client, private readonly string $map)
    {
        $this->multi = curl_multi_init();
    }

    /** @return list<array<string, mixed>> what came since one asked last ("LiveMessage" in the wire schema) */
    public function messages(float $seconds): array
    {
        for ($end = microtime(true) + $seconds; microtime(true) < $end;) {
            $this->listens || $this->begin();
            curl_multi_exec($this->multi, $running);
            curl_multi_select($this->multi, 0.02);
            while (($done = curl_multi_info_read($this->multi)) !== false) {
                curl_multi_remove_handle($this->multi, $done['handle']);
                $this->listens = false;
                usleep(100_000);
            }
        }
        $whole = (int) strrpos($this->heard, "\n");
        preg_match_all('/^data: (\{.*\})$/m', substr($this->heard, 0, $whole), $m);
        $this->heard = substr($this->heard, $whole);

        return array_map(fn (string $one): array => (array) json_decode($one, true, 4096), $m[1]);
    }

    private function begin(): void
    {
        $handle = $this->client->handle('GET', "/api/maps/{$this->map}/stream", '', ['Accept: text/event-stream']);
        curl_setopt_array($handle, [CURLOPT_TIMEOUT => 0, CURLOPT_WRITEFUNCTION => function (CurlHandle $_, string $part): int {
            $this->heard .= $part;

            return strlen($part);
        }]);
        curl_multi_add_handle($this->multi, $handle);
        $this->listens = true;
    }
}
