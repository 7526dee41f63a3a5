<?php

declare(strict_types=1);

namespace App\Files;

use ChalkTree\Refusal;

/** A file that cannot be taken in; the message says why to a person. */
final class UnusableFile extends Refusal
{
    public function reason(): string
    {
        return 'unusable_file';
    }
}
