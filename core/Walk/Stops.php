<?php

declare(strict_types=1);

namespace ChalkTree\Walk;

use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Edit\Recorder;
use ChalkTree\Map\Rank;
use ChalkTree\Map\TopicMap;

/** The stops of a map in one's own order. */
final class Stops
{
    /**
     * Those at topics that are in the map, in order.
     *
     * @return list<Stop>
     */
    public static function of(TopicMap $map): array
    {
        $stops = array_values(array_filter($map->rowsOf(Stop::class), fn (Stop $stop): bool => $stop->rank() !== '' && $map->has($stop->id)));
        usort($stops, fn (Stop $a, Stop $b): int => strcmp($a->rank(), $b->rank()) ?: strcmp($a->id, $b->id));

        return $stops;
    }

    /**
     * Puts topics into the order, as they are given, right after another stop.
     *
     * @param  non-empty-list<string>  $topics
     * @param  string|null  $after  null to put them first
     *
     * @throws InvalidEdit where that one is no stop
     */
    public static function put(TopicMap $map, Recorder $recorder, array $topics, ?string $after): void
    {
        $rest = array_values(array_filter(self::of($map), fn (Stop $stop): bool => ! in_array($stop->id, $topics, true)));
        $at = $after === null ? -1 : array_search($after, array_map(fn (Stop $stop): string => $stop->id, $rest), true);
        if ($at === false) {
            throw new InvalidEdit('The topic after which they were to come is no stop of the walk any more.', 'after');
        }
        $low = $at < 0 ? null : $rest[$at]->rank();
        // Two that came to one rank, as by two people at once, stay together.
        $next = array_values(array_filter(array_slice($rest, $at + 1), fn (Stop $stop): bool => $low === null || strcmp($stop->rank(), $low) > 0));
        foreach (array_combine(Rank::run($low, $next === [] ? null : $next[0]->rank(), count($topics)), $topics) as $rank => $topic) {
            $recorder->put(Stop::fromFields($topic, ['rank' => (string) $rank]));
        }
    }
}
