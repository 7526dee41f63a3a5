<?php

declare(strict_types=1);

namespace ChalkTree\Ask;

use ChalkTree\Feature;

/** A feature of which something can be told of topics beside each other. */
interface HasColumns extends Feature
{
    /** @return iterable<Column> those that this map has */
    public function columns(Moment $now): iterable;
}
