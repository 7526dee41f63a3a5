<?php

declare(strict_types=1);

namespace ChalkTree\HandOver;

use ChalkTree\Document\Block;
use ChalkTree\Feature;
use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\TopicMap;

/** A feature of which something stands in documents, and comes back from them. */
interface PutsInDocuments extends Feature
{
    /**
     * @param  DocumentPlace  $place  what is known of the document
     * @return array<string, array{list<Block>, list<Block>}> by topic, what stands between its title and its note, and after its note
     */
    public function inDocument(TopicMap $map, DocumentPlace $place): array;

    /** @return list<Block> at the end of the document, where that was chosen */
    public function atEnd(TopicMap $map, Choices $choices): array;

    /**
     * What a block says of a topic that is one of inDocument(); nothing where it is none.
     *
     * @param  array<string, list<string>>  $titles  the ids of topics by their titles in plain words
     * @return list<FeatureRow>
     */
    public function fromDocument(Block $block, string $topic, array $titles): array;
}
