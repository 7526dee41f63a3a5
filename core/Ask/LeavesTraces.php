<?php

declare(strict_types=1);

namespace ChalkTree\Ask;

use ChalkTree\Map\FeatureRow;

/** A question that holds of no topic of a map unless something stands among the map's traces (Traces). */
interface LeavesTraces extends Question
{
    /** @return list<class-string<FeatureRow>> the rows of a map that have the names by which such a question is asked */
    public static function namedBy(): array;

    /**
     * What stands in the traces of a map so that topics can be found of which such a question holds, each a line.
     *
     * @return iterable<string>
     */
    public static function traces(Moment $now): iterable;

    /** What stands in the traces of every map of which a topic is meant; the beginning of it is enough. Null where it may stand in any. */
    public function trace(Moment $now): ?string;
}
