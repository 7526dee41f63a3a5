<?php

declare(strict_types=1);

namespace ChalkTree\Lock;

use ChalkTree\Refusal;

/** Somebody wanted to change what is locked for them. Nothing was touched. */
final class Locked extends Refusal
{
    public function reason(): string
    {
        return 'locked';
    }
}
