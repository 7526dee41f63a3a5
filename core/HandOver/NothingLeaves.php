<?php

declare(strict_types=1);

namespace ChalkTree\HandOver;

use ChalkTree\Refusal;

/** Everything that was asked for is private. */
final class NothingLeaves extends Refusal
{
    public function __construct()
    {
        parent::__construct('All of this is private, so there is nothing to hand over. A complete copy (Chalk Tree file, archive, duplicate) takes private topics along.');
    }

    public function reason(): string
    {
        return 'private';
    }
}
