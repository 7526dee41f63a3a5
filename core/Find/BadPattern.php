<?php

declare(strict_types=1);

namespace ChalkTree\Find;

use ChalkTree\Refusal;

/** A pattern that cannot be read, or that takes too long to search with. */
final class BadPattern extends Refusal
{
    public function reason(): string
    {
        return 'bad_pattern';
    }
}
