<?php

declare(strict_types=1);

namespace ChalkTree\Map;

use ChalkTree\Refusal;

/** A record names a sort of row that this version does not know. */
final class UnknownRowType extends Refusal
{
    public function reason(): string
    {
        return 'unknown_row_type';
    }
}
