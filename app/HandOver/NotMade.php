<?php

declare(strict_types=1);

namespace App\HandOver;

use ChalkTree\Refusal;

/** A file could not be made by the program that makes such files. */
final class NotMade extends Refusal
{
    public function reason(): string
    {
        return 'not_made';
    }
}
