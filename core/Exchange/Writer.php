<?php

declare(strict_types=1);

namespace ChalkTree\Exchange;

use ChalkTree\Map\TopicMap;

/** Writes a map as a file in one open format. */
interface Writer
{
    public function write(TopicMap $map): string;
}
