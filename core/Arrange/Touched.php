<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

use ChalkTree\Edit\Changes;
use ChalkTree\Face\TiedBoxes;
use ChalkTree\Features;
use ChalkTree\Look\SpreadsLooks;
use ChalkTree\Map\TopicMap;

/** The topics that have to be laid out anew after changes: those that these concern, and those that look otherwise because of them. */
final class Touched
{
    /**
     * @param  TopicMap  $map  as it is after them
     * @return list<string>
     */
    public static function by(TopicMap $map, Changes $changes): array
    {
        $topics = [...$changes->topics($map), ...TiedBoxes::touchedBy($map, $changes)];
        foreach (Features::all() as $feature) {
            array_push($topics, ...($feature instanceof SpreadsLooks ? $feature->spread($map, $changes) : []));
        }

        return $topics;
    }
}
