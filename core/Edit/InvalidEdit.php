<?php

declare(strict_types=1);

namespace ChalkTree\Edit;

use ChalkTree\Refusal;

/** An edit that is not one: an unknown name, a wrong type, a text too long, a move that would break the tree. */
final class InvalidEdit extends Refusal
{
    public function reason(): string
    {
        return 'invalid_edit';
    }
}
