<?php

declare(strict_types=1);

namespace ChalkTree\Edit;

use ChalkTree\Refusal;

/** An undo or redo that would run over something changed since. Nothing was touched. */
final class ChangedSince extends Refusal
{
    public function reason(): string
    {
        return 'changed_since';
    }
}
