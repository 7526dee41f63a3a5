<?php

declare(strict_types=1);

namespace App\Find;

use App\Models\MapRecord;

/** Something that is known of the topics of all maps, so that it can be asked for across them. */
interface Index
{
    /**
     * Takes in a map as it is now.
     *
     * @param  list<string>|null  $topics  those that may have changed since; null for all
     */
    public function take(MapRecord $map, ?array $topics): void;
}
