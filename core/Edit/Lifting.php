<?php

declare(strict_types=1);

namespace ChalkTree\Edit;

use ChalkTree\Map\Side;
use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;

/** What several edits do alike: setting topics below another parent, and taking one topic out from between the rest. */
final class Lifting
{
    /** Sets a topic below a parent, with nothing kept of how it stood elsewhere. */
    public static function put(TopicMap $map, Recorder $recorder, Topic $topic, ?string $parent, string $rank, ?Side $side = null): void
    {
        $recorder->put($topic->with([
            'parent' => $parent, 'rank' => $rank, 'side' => $side?->value, 'sideHeld' => false,
            'x' => null, 'y' => null, 'column' => null, 'parked' => null,
        ]));
    }

    /**
     * Moves the topics below one to right behind it, where it stands itself: beside it, on its side, in its column.
     *
     * @return list<string> their ids
     */
    public static function lift(TopicMap $map, Recorder $recorder, Topic $topic): array
    {
        $children = array_values($map->children($topic->id));
        $ranks = ($topic->parked === null ? Place::behind($topic) : Place::behindParked($topic))->ranks($map, $recorder, count($children));
        $topic = $map->topic($topic->id);
        foreach ($children as $i => $child) {
            self::put($map, $recorder, $child, $topic->parent, $ranks[$i], $topic->side);
            if ($topic->parent === null) {
                $recorder->put($map->topic($child->id)->with(['x' => $topic->x, 'y' => $topic->y, 'column' => $topic->column, 'parked' => $topic->parked === $topic->id ? $child->id : $topic->parked]));
            }
        }

        return array_map(fn (Topic $child): string => $child->id, $children);
    }

    /** Takes a topic to the trash by itself; nothing may be below it any more. */
    public static function removeAlone(TopicMap $map, Recorder $recorder, string $id): void
    {
        $recorder->put($map->topic($id)->with(['removed' => $id]));
    }
}
