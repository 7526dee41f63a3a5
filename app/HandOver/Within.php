<?php

declare(strict_types=1);

namespace App\HandOver;

/** The work on a part of something: stopped with the whole, whose words and percent it leaves alone. */
final readonly class Within implements Progress
{
    public function __construct(private Progress $whole)
    {
    }

    public function at(string $words, int $percent): void
    {
    }

    public function isStopped(): bool
    {
        return $this->whole->isStopped();
    }
}
