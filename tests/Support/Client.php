<?php

declare(strict_types=1);

namespace Tests\Support;

/** Somebody who asks the API, over the network or within the test. */
interface Client
{
    /**
     * @param  array<string, mixed>|null  $body
     * @return array<string, mixed> the answer to what was granted
     */
    public function call(string $method, string $path, ?array $body = null): array;

    /**
     * @param  array<string, mixed>|null  $body
     * @return array{int, mixed} the status, 0 where nothing came, and the answer's JSON
     */
    public function ask(string $method, string $path, ?array $body = null): array;
}
