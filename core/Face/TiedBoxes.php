<?php

declare(strict_types=1);

namespace ChalkTree\Face;

use ChalkTree\Edit\Changes;
use ChalkTree\Features;
use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;

/** Topics in whose boxes something stands that ties them to others which have gone, or have come back. */
final class TiedBoxes
{
    /** @return list<string> */
    public static function touchedBy(TopicMap $map, Changes $changes): array
    {
        $moved = [];
        foreach ($changes->all as $change) {
            if ($change->type === Topic::type() && ($change->before === null || $change->after === null || array_key_exists('removed', $change->after))) {
                $moved[$change->id] = true;
            }
        }
        $touched = [];
        foreach ($moved === [] ? [] : Features::all() as $feature) {
            foreach ($feature instanceof PutsTiesInBoxes ? $feature->tiesInBoxes() : [] as $class) {
                foreach (count($class::ends()) < 2 ? [] : $map->rowsOf($class) as $row) {
                    array_push($touched, ...array_intersect_key(array_flip($row->topics()), $moved) === [] ? [] : $row->topics());
                }
            }
        }

        return array_values(array_filter(array_unique($touched), $map->has(...)));
    }
}
