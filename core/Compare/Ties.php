<?php

declare(strict_types=1);

namespace ChalkTree\Compare;

use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\NamesContent;
use ChalkTree\Map\TopicMap;
use ChalkTree\Text\InlineMarkdown;

/** What ties topics to each other in a map, and what rows need of the map in which they are. */
final class Ties
{
    /** @return list<array{type: string, id: string, fields: array<string, scalar|null>}> rows of the other map that a row needs and the own does not have, what others need first */
    public static function needs(FeatureRow $row, TopicMap $other, TopicMap $own): array
    {
        $found = [];
        $seen = [];
        for ($waiting = [$row]; ($next = array_pop($waiting)) !== null;) {
            foreach ($next->needs() as [$class, $id]) {
                $its = $other->row($class::type(), $id);
                if ($its instanceof FeatureRow && ! isset($seen["{$class::type()} {$id}"]) && $own->row($class::type(), $id) === null) {
                    $seen["{$class::type()} {$id}"] = true;
                    $found[] = ['type' => $class::type(), 'id' => $id, 'fields' => $its->saying()];
                    $waiting[] = $its;
                }
            }
        }

        return array_reverse($found);
    }

    /** @return list<FeatureRow> rows that tie topics of a map to each other */
    public static function in(TopicMap $map, bool $withContents): array
    {
        $ties = [];
        foreach ($map->living() as $row) {
            if (! $row::isOfTopic() && ! $row::isOfMap() && $row::isTold() && $row->topics() !== [] && ($withContents || ! $row instanceof NamesContent)) {
                $ties[] = $row;
            }
        }

        return $ties;
    }

    /** The same for two that say the same. */
    public static function says(FeatureRow $row): string
    {
        $says = $row->saying();
        ksort($says);

        return $row::type().' '.json_encode($says, JSON_THROW_ON_ERROR | JSON_INVALID_UTF8_SUBSTITUTE);
    }

    /** What those are called that it ties. */
    public static function ends(FeatureRow $row, TopicMap $map): string
    {
        return implode(' – ', array_map(fn (string $end): string => InlineMarkdown::oneLine($map->find($end)->title ?? '', 60), $row->topics()));
    }
}
