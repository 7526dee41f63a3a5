<?php

declare(strict_types=1);

namespace ChalkTree\Draw;

use ChalkTree\Arrange\Scene;
use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\TopicMap;

/** Which topics what is drawn besides them hangs on. */
final class MarkEnds
{
    /**
     * @param  TopicMap  $map  that of the scene
     * @return array<array-key, array{topics: list<string>, isAround: bool}> by the keys of the marks: the topics between which one is drawn, or around which; none where it hangs on no topic
     */
    public static function of(Scene $scene, TopicMap $map): array
    {
        $around = self::around($scene, $map);

        return array_map(function (SceneMark $mark) use ($map, $around): array {
            $row = $map->row($mark->type, $mark->id);
            $ends = $row instanceof FeatureRow && $row::ends() !== [] ? $row->topics() : [];

            return $ends === [] ? ['topics' => $around[$mark->id] ?? [], 'isAround' => true] : ['topics' => $ends, 'isAround' => false];
        }, $scene->marks);
    }

    /**
     * What goes around topics has them in rows of their own, which call it.
     *
     * @return array<array-key, list<string>> drawn topics, by the ids of marks
     */
    private static function around(Scene $scene, TopicMap $map): array
    {
        $marks = array_fill_keys(array_map(fn (SceneMark $mark): string => $mark->id, array_values($scene->marks)), true);
        $around = [];
        foreach ($marks === [] ? [] : $map->living() as $row) {
            foreach (array_filter($row->saying(), is_string(...)) as $value) {
                foreach (isset($marks[$value]) ? $row->topics() : [] as $topic) {
                    if (isset($scene->slips[$topic])) {
                        $around[$value][$topic] = $topic;
                    }
                }
            }
        }

        return array_map(array_values(...), $around);
    }
}
