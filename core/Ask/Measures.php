<?php

declare(strict_types=1);

namespace ChalkTree\Ask;

use ChalkTree\Feature;
use ChalkTree\Map\TopicMap;

/** A feature that keeps numbers of topics. */
interface Measures extends Feature
{
    /** @return iterable<Measure> those that topics of this map may have, as it is now */
    public function measures(TopicMap $map): iterable;
}
