<?php

declare(strict_types=1);

namespace Bench;

use CurlHandle;
use Tests\Support\HttpClient;

/** One of many who work, and what they have before them. */
final class Somebody
{
    /** Which of their maps is open. */
    public int $map = 0;

    /** @var array<string, int> the latest edit of each map that they know of */
    public array $seq = [];

    /** @var array<string, list<string>> topics of maps that they have opened */
    public array $topics = [];

    /** What they have written and is not answered yet. */
    public ?string $edit = null;

    public ?CurlHandle $stream = null;

    /** Whether they wait for an answer. */
    public bool $isWaiting = false;

    /**
     * @param  list<string>  $maps  which they may edit
     * @param  float  $next  when they do something next, in seconds since all began
     */
    public function __construct(public readonly HttpClient $client, public readonly array $maps, public float $next)
    {
    }

    public function at(): string
    {
        return $this->maps[$this->map];
    }
}
