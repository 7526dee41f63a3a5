<?php

declare(strict_types=1);

namespace ChalkTree\Ask;

use ChalkTree\Feature;

/** A feature that keeps days of topics. */
interface TellsDays extends Feature
{
    /** @return iterable<TopicDay> those of a topic, what it is about first */
    public function days(Moment $now, string $topic): iterable;
}
