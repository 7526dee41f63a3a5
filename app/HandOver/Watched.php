<?php

declare(strict_types=1);

namespace App\HandOver;

use App\Models\HandOver;

/** Progress that stands in the database, where whoever waits asks for it and may stop it. */
final class Watched implements Progress
{
    /** Seconds from one look whether it was stopped to the next. */
    private const LOOKS = 0.3;

    private float $looked = 0.0;

    private bool $isStopped = false;

    public function __construct(private readonly HandOver $handOver)
    {
    }

    public function at(string $words, int $percent): void
    {
        if ($this->isStopped()) {
            throw new Stopped;
        }
        HandOver::query()->whereKey($this->handOver->id)->where('state', 'working')->update(['words' => $words, 'percent' => min(99, $percent), 'touched' => time()]);
    }

    public function isStopped(): bool
    {
        $now = microtime(true);
        if (! $this->isStopped && $now - $this->looked > self::LOOKS) {
            $this->looked = $now;
            $this->isStopped = HandOver::query()->whereKey($this->handOver->id)->value('state') !== 'working';
        }

        return $this->isStopped;
    }
}
