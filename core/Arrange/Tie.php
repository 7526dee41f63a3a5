<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

/** What an arrangement that follows ties knows of one: which siblings it ties, and the size of the words on it; 0 where there are none. */
final readonly class Tie
{
    public function __construct(public string $id, public string $from, public string $to, public float $w = 0.0, public float $h = 0.0)
    {
    }
}
