<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

use ChalkTree\Map\TopicMap;

/** A feature whose rows tie topics to each other, which arrangements can follow (FollowsTies). */
interface TiesTopics
{
    /** @return iterable<Tie> all there are, in an order that stays */
    public function ties(TopicMap $map): iterable;
}
