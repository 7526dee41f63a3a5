<?php

declare(strict_types=1);

namespace ChalkTree\Edit;

use ChalkTree\Map\TopicMap;
use ChalkTree\Refusal;

/**
 * An edit with work to do that can take long and must not be done while others wait for the map. It is prepared on the
 * map as it was a moment ago, and then applied at once; what has changed between makes it refuse.
 */
interface PreparedEdit extends Edit
{
    /** @throws Refusal */
    public function prepare(TopicMap $map): void;
}
