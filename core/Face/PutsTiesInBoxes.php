<?php

declare(strict_types=1);

namespace ChalkTree\Face;

use ChalkTree\Feature;
use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\TopicMap;

/** A feature that puts something into the boxes of topics which rows about several topics, or several rows about one, say. */
interface PutsTiesInBoxes extends Feature
{
    /** @return list<class-string<FeatureRow>> the sorts of those rows */
    public function tiesInBoxes(): array;

    /**
     * Asked for each topic that is laid out and that such rows are about.
     *
     * @param  non-empty-list<FeatureRow>  $rows  that are in the map
     * @return list<FacePart> from the title outwards
     */
    public function partsOf(TopicMap $map, string $topic, array $rows): array;
}
