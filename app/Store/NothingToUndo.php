<?php

declare(strict_types=1);

namespace App\Store;

use ChalkTree\Refusal;

/** There is no edit of this person's left to undo or redo in this map. */
final class NothingToUndo extends Refusal
{
    public function reason(): string
    {
        return 'nothing_to_undo';
    }
}
