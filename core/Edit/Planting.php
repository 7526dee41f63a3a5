<?php

declare(strict_types=1);

namespace ChalkTree\Edit;

use ChalkTree\Map\Bounds;
use ChalkTree\Map\TopicMap;

/** Puts new branches into a map, one after the other in one place. */
final class Planting
{
    /** @param  list<TopicDraft>  $drafts */
    public static function plant(TopicMap $map, Recorder $recorder, Place $place, array $drafts): void
    {
        if (array_sum(array_map(fn (TopicDraft $draft): int => $draft->count(), $drafts)) > Bounds::MOST_TOPICS) {
            throw new InvalidEdit('One edit adds at most 20,000 topics.', 'topics');
        }
        $parent = $place->parent($map);
        $ranks = $place->ranks($map, $recorder, count($drafts));
        $loose = $place->looseFields($map, $recorder);
        $sides = $place->sidesFor($map, array_map(fn (TopicDraft $draft): int => $draft->count(), $drafts));
        $copies = [];
        foreach ($drafts as $i => $draft) {
            foreach ($draft->rows($map, $parent, $ranks[$i], $sides[$i], $copies) as $n => $topic) {
                $recorder->put($n === 0 && $parent === null ? $topic->with($loose) : $topic);
            }
        }
        foreach (TopicDraft::rowsAbout($drafts, $copies, $map) as $row) {
            $recorder->put($row);
        }
    }
}
