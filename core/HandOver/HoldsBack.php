<?php

declare(strict_types=1);

namespace ChalkTree\HandOver;

use ChalkTree\Feature;
use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\TopicMap;

/** A feature by which people say what never leaves their map. */
interface HoldsBack extends Feature
{
    /** @return list<string> the ids of topics that are held back, each with its branch */
    public function heldTopics(TopicMap $map): array;

    /** @return list<FeatureRow> rows about no topic, or about topics that may leave, that are held back themselves */
    public function heldRows(TopicMap $map): array;
}
