<?php

declare(strict_types=1);

namespace ChalkTree\Ask;

use ChalkTree\Feature;
use ChalkTree\Map\TopicMap;

/** A feature that brings looks along which follow what it keeps, for maps in which nobody has said otherwise. */
interface BringsRules extends Feature
{
    /** @return array<string, array<string, scalar>> the fields of rules in their order, by a word for each that never changes */
    public function rules(TopicMap $map): array;
}
