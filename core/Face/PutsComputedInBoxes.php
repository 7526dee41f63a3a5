<?php

declare(strict_types=1);

namespace ChalkTree\Face;

use ChalkTree\Ask\Moment;
use ChalkTree\Feature;

/** A feature that puts something into the boxes of topics which follows from what is said elsewhere: of a kind, of what is below, of a day. */
interface PutsComputedInBoxes extends Feature
{
    /** Null where it has nothing to put into any box of this map. */
    public function boxes(Moment $now): ?BoxSource;
}
