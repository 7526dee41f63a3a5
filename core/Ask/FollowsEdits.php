<?php

declare(strict_types=1);

namespace ChalkTree\Ask;

use ChalkTree\Arrange\Memory;

/**
 * Something reckoned of a whole map that stands in the boxes of a few topics, and is kept up to date from edit to edit
 * instead of being reckoned anew. A layout has one of each, and lends it to those who fill boxes (Moment::follower()).
 */
interface FollowsEdits
{
    /**
     * Brings it up to date.
     *
     * @param  list<string>|null  $touched  the topics that changed since it was asked last; null for all. At first, what is remembered is of this very map.
     * @param  Memory|null  $memory  what is remembered, and learns what is found
     * @return list<string> the topics in whose boxes something else stands now
     */
    public function follow(Moment $now, ?array $touched, ?Memory $memory): array;

    /** From now on this learns what is found, and has learned what was. */
    public function teach(Memory $memory): void;
}
