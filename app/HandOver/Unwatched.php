<?php

declare(strict_types=1);

namespace App\HandOver;

/** Nobody asks how far it is. */
final class Unwatched implements Progress
{
    public function at(string $words, int $percent): void
    {
    }

    public function isStopped(): bool
    {
        return false;
    }
}
