<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\MapRecord;
use ChalkTree\Edit\Changes;
use ChalkTree\Edit\Recorder;
use ChalkTree\Map\TopicMap;
use ChalkTree\Refusal;

/** What somebody who is behind has not seen of a map, and how the map was when they saw it. */
final readonly class Behind
{
    /** Whoever is further behind than this gets the whole map again. */
    private const FARTHEST = 300;

    public function __construct(private EditLog $log)
    {
    }

    /** @return list<Changes>|null what somebody at this number has not seen; null if that is too much or unknown */
    public function missed(MapRecord $record, int $since): ?array
    {
        return $since > $record->seq || $since < $record->seq - self::FARTHEST || $this->log->isWithinOne($record, $since) ? null : $this->log->since($record, $since);
    }

    /**
     * The map as it was before these changes; null where that can no longer be told, because what they took out has
     * been cleared from the trash since.
     *
     * @param  list<Changes>  $changes
     */
    public static function asOf(TopicMap $map, array $changes): ?TopicMap
    {
        $before = clone $map;
        $recorder = new Recorder($before);
        try {
            foreach (array_reverse($changes) as $record) {
                $record->reversed()->applyTo($before, $recorder);
            }
        } catch (Refusal) {
            return null;
        }

        return $before;
    }
}
