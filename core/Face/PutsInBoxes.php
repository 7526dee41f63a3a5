<?php

declare(strict_types=1);

namespace ChalkTree\Face;

use ChalkTree\Feature;
use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\TopicMap;

/** A feature that puts something into the boxes of topics: what that is, rows of which there is one a topic say, and rows of the map that these may call. */
interface PutsInBoxes extends Feature
{
    /** @return list<class-string<FeatureRow>> the sorts of those rows */
    public function inBoxes(): array;

    /**
     * Asked for each such row of a topic that is laid out.
     *
     * @return list<FacePart> from the title outwards
     */
    public function parts(TopicMap $map, FeatureRow $row): array;
}
