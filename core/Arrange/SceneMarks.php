<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

use ChalkTree\Draw\SceneMark;
use ChalkTree\Feature;
use ChalkTree\Features;
use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\TopicMap;

/** What features draw in a scene besides its topics. */
final class SceneMarks
{
    /** @return array<string, SceneMark> by type and id */
    public static function of(TopicMap $map, Scene $scene): array
    {
        $marks = [];
        foreach (Features::all() as $feature) {
            foreach (self::rows($map, $feature) === [] ? [] : $feature->marks($map, $scene) as $mark) {
                $marks["{$mark->type} {$mark->id}"] = $mark;
            }
        }

        return $marks;
    }

    /** @return list<FeatureRow> the rows of which a feature draws marks */
    private static function rows(TopicMap $map, Feature $feature): array
    {
        return array_merge(...array_map(fn (string $class): array => array_values($map->rowsOf($class)), $feature->drawn()));
    }
}
