<?php

declare(strict_types=1);

namespace ChalkTree\Map;

use ChalkTree\Edit\TopicDraft;

/** Makes maps from nothing or from what a reader has read. */
final class NewMap
{
    /**
     * @param  list<TopicDraft>  $loose
     */
    public static function from(
        TopicDraft $root,
        array $loose = [],
        string $arrangement = 'both-sides',
        ?string $title = null,
    ): TopicMap {
        $map = new TopicMap;
        $ranks = Rank::run(null, null, 1 + count($loose));
        $copies = [];
        foreach ([$root, ...$loose] as $i => $draft) {
            $rows = $draft->rows($map, null, $ranks[$i], null, $copies);
            if ($i === 0) {
                $map->put(new Sheet($title, $rows[0]->id, $arrangement));
            }
            foreach ($rows as $row) {
                $map->put($row);
            }
        }
        foreach (TopicDraft::rowsAbout([$root, ...array_values($loose)], $copies, $map) as $row) {
            $map->put($row);
        }
        SideBalance::settle($map);

        return $map;
    }
}
