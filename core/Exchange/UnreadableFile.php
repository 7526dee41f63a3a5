<?php

declare(strict_types=1);

namespace ChalkTree\Exchange;

use ChalkTree\Refusal;

/** A file that cannot be read as what it claims to be. Nothing of it was imported. */
final class UnreadableFile extends Refusal
{
    public function reason(): string
    {
        return 'unreadable_file';
    }
}
