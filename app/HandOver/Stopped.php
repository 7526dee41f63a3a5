<?php

declare(strict_types=1);

namespace App\HandOver;

use ChalkTree\Refusal;

/** Whoever waited has stopped it. */
final class Stopped extends Refusal
{
    public function __construct()
    {
        parent::__construct('Stopped; nothing was made.');
    }

    public function reason(): string
    {
        return 'stopped';
    }
}
