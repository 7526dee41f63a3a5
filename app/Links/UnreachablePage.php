<?php

declare(strict_types=1);

namespace App\Links;

use ChalkTree\Refusal;

/** A page could not be had, for a reason that whoever asked is told. */
final class UnreachablePage extends Refusal
{
    public function reason(): string
    {
        return 'unreachable';
    }
}
