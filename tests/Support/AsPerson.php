<?php

declare(strict_types=1);

namespace Tests\Support;

use App\Models\Person;
use RuntimeException;

/** Somebody who is signed in and asks within the test, where nothing lies in between. */
final readonly class AsPerson implements Client
{
    public function __construct(private HttpTestCase $test, private Person $person)
    {
    }

    public function call(string $method, string $path, ?array $body = null): array
    {
        [$status, $data] = $this->ask($method, $path, $body);

        return $status < 400 && is_array($data) ? $data : throw new RuntimeException("{$method} {$path}: {$status} ".json_encode($data));
    }

    public function ask(string $method, string $path, ?array $body = null): array
    {
        $this->test->flushSession();
        $this->test->actingAs($this->person->fresh() ?? $this->person);
        $answer = $this->test->json($method, $path, $body ?? []);

        return [$answer->getStatusCode(), json_decode((string) $answer->getContent(), true, 4096)];
    }
}
