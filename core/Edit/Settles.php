<?php

declare(strict_types=1);

namespace ChalkTree\Edit;

use ChalkTree\Map\TopicMap;

/** A feature that has something to see to after every edit, whatever the edit was; what it changes is part of it. */
interface Settles
{
    public function settle(TopicMap $map, Recorder $recorder): void;
}
