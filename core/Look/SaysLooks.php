<?php

declare(strict_types=1);

namespace ChalkTree\Look;

use ChalkTree\Ask\Moment;

/** A feature by which topics look otherwise, such as by their kind or by a rule. */
interface SaysLooks
{
    /** @return iterable<LookSource> for this map, as it is now */
    public function looks(Moment $now): iterable;
}
