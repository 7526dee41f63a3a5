<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\MapRecord;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Map\TopicMap;

/** Maps as they once were, made from how they are now and what was done since. */
final readonly class MapPast
{
    public function __construct(private MapStore $store, private EditLog $log)
    {
    }

    /** The map after the edit with this number; 0 for how it began. */
    public function at(MapRecord $record, int $seq): TopicMap
    {
        if ($seq < 0 || $seq > $record->seq) {
            throw new InvalidEdit('There is no such number in the history of this map.', 'seq');
        }
        $map = $this->store->load($record);
        foreach (array_reverse($this->log->since($record, $seq)) as $changes) {
            $changes->reversed()->lookOn($map);
        }

        return $map;
    }
}
