<?php

declare(strict_types=1);

namespace ChalkTree\Ask;

use ChalkTree\Feature;
use ChalkTree\Map\TopicMap;

/** A feature whose rows name people at topics. */
interface NamesPeople extends Feature
{
    /** @return list<string> the people named at a topic */
    public function people(Moment $now, string $topic): array;

    /** @return iterable<string> the people named anywhere in a map, some more than once */
    public function named(TopicMap $map): iterable;
}
