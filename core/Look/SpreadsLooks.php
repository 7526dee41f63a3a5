<?php

declare(strict_types=1);

namespace ChalkTree\Look;

use ChalkTree\Edit\Changes;
use ChalkTree\Feature;
use ChalkTree\Map\TopicMap;

/** A feature by which topics look otherwise because of what is changed elsewhere than at them or below them. */
interface SpreadsLooks extends Feature
{
    /**
     * The topics that may look otherwise after these changes, beside those that they concern and those above them.
     *
     * @param  TopicMap  $map  as it is after them
     * @return list<string>
     */
    public function spread(TopicMap $map, Changes $changes): array;
}
