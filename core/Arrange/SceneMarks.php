<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

use ChalkTree\Draw\SceneMark;
use ChalkTree\Features;
use ChalkTree\Map\TopicMap;

/** What features draw in a scene besides its topics. */
final class SceneMarks
{
    /** @return array<string, SceneMark> by type and id */
    public static function of(TopicMap $map, Scene $scene): array
    {
        if ($map->living() === []) {
            return [];
        }
        $marks = [];
        foreach (Features::all() as $feature) {
            foreach ($feature->marks($map, $scene) as $mark) {
                $marks["{$mark->type} {$mark->id}"] = $mark;
            }
        }

        return $marks;
    }

    /** @return list<string> the topics whose places marks may hang on */
    public static function topics(TopicMap $map): array
    {
        return array_merge(...array_map(fn ($row): array => $row->topics(), $map->living()));
    }
}
