<?php

declare(strict_types=1);

namespace ChalkTree\Ask;

use ChalkTree\Feature;

/** A feature that keeps something up to date from edit to edit. */
interface KeepsUp extends Feature
{
    /** A new one that knows nothing yet. */
    public function follower(): FollowsEdits;
}
