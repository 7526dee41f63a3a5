<?php

declare(strict_types=1);

namespace ChalkTree\HandOver;

use ChalkTree\Map\TopicMap;

/** A map cut down to those topics that have notes, and what stands above them. */
final class Noted
{
    /** @param  TopicMap  $map  as Selected has it */
    public static function of(TopicMap $map): TopicMap
    {
        $kept = [$map->root()->id => $map->root()];
        foreach ($map->all() as $topic) {
            if (trim($topic->note) !== '') {
                $kept[$topic->id] = $topic;
                foreach ($map->ancestors($topic->id) as $above) {
                    $kept[$above->id] = $above;
                }
            }
        }
        $made = new TopicMap;
        $made->put($map->sheet());
        $made->fill(array_values($kept));
        foreach ($map->living() as $row) {
            if ($made->isLiving($row)) {
                $made->put($row);
            }
        }

        return $made;
    }
}
