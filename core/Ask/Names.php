<?php

declare(strict_types=1);

namespace ChalkTree\Ask;

use ChalkTree\Edit\TopicDraft;
use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\Ids;
use ChalkTree\Map\NewMap;

/** The names by which topics of several maps can be asked for, as if they were those of one map that has no topics. */
final class Names
{
    /** @return list<class-string<FeatureRow>> the rows that have names */
    public static function sorts(): array
    {
        $sorts = [];
        foreach (Condition::questions() as $class) {
            array_push($sorts, ...(is_subclass_of($class, LeavesTraces::class) ? $class::namedBy() : []));
        }

        return $sorts;
    }

    /** @param  iterable<FeatureRow>  $rows  of those sorts, from any map; a kind that is called otherwise in each map is there under each name */
    public static function of(iterable $rows, string $today): Moment
    {
        $map = NewMap::from(new TopicDraft(''));
        foreach ($rows as $row) {
            $isTaken = $map->row($row::type(), $row->id) !== null;
            // What a stamp means has the stamp's own id.
            $map->put($isTaken && Ids::valid($row->id) ? $row::fromFields(Ids::next(), $row->fields()) : $row);
        }

        return new Moment($map, $today);
    }
}
