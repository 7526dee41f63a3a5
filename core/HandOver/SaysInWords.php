<?php

declare(strict_types=1);

namespace ChalkTree\HandOver;

use ChalkTree\Feature;
use ChalkTree\Map\TopicMap;

/** A feature of whose signs on topics one can have the words. */
interface SaysInWords extends Feature
{
    /** @return array<string, array<string, list<string>>> plain words by topic, by the choice that asks for them; see Choices::FLAGS */
    public function inWords(TopicMap $map): array;
}
