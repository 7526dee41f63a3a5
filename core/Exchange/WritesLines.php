<?php

declare(strict_types=1);

namespace ChalkTree\Exchange;

use ChalkTree\Feature;
use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\TopicMap;

/**
 * A feature that says something of topics in formats that know nothing of it: as lines of their own below these, which it
 * knows again when they come back.
 */
interface WritesLines extends Feature
{
    /** @return non-empty-list<string> with one of which every such line begins */
    public function signs(): array;

    /** @return array<string, list<string>> plain text by topic id, in the order in which it stands there */
    public function lines(TopicMap $map): array;

    /**
     * What the line below a topic says; nothing where it is none of its own, or says nothing that there is.
     *
     * @param  array<string, list<string>>  $titles  the ids of topics by their titles in plain words, in reading order
     * @return list<FeatureRow>
     */
    public function readLine(TopicMap $map, string $topic, string $line, array $titles): array;
}
