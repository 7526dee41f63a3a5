<?php

declare(strict_types=1);

namespace ChalkTree\Ask;

use ChalkTree\Feature;

/** A feature that knows how far topics are. */
interface TellsProgress extends Feature
{
    /** From 0 to 100; null where a topic has none. */
    public function progressOf(Moment $now, string $topic): ?float;
}
