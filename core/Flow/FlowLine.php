<?php

declare(strict_types=1);

namespace ChalkTree\Flow;

/** A way from one box to another, and the size of the words on it; 0 where there are none. */
final readonly class FlowLine
{
    public function __construct(public string $id, public string $from, public string $to, public float $w = 0.0, public float $h = 0.0)
    {
    }
}
