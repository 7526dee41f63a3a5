<?php

declare(strict_types=1);

namespace ChalkTree;

use ChalkTree\Arrange\Scene;
use ChalkTree\Draw\SceneMark;
use ChalkTree\Edit\Edit;
use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\TopicMap;

/**
 * Something that a map can do, in a folder of its own: this is the one place where it plugs itself in. What it names
 * here is stored, sent, drawn, found, undone, copied, compared and written to files by code that knows no feature.
 */
interface Feature
{
    /** @return list<class-string<FeatureRow>> the sorts of row it keeps in a map */
    public function rows(): array;

    /** @return list<class-string<Edit>> edits in which something is decided; setting fields needs none of its own */
    public function edits(): array;

    /**
     * Its edits as the wire has them, by the name of their class; for its rows that follows from their fields.
     *
     * @return array<string, array{name: string, properties: array<string, mixed>, required: list<string>}> in the terms of JSON Schema
     */
    public function schema(): array;

    /** @return list<class-string<FeatureRow>> those of its rows that it draws as marks */
    public function drawn(): array;

    /**
     * What it draws that is not a topic. Asked for only where the map has such rows.
     *
     * @param  Scene  $scene  in which at least the topics that those rows are about have their places
     * @return iterable<SceneMark>
     */
    public function marks(TopicMap $map, Scene $scene): iterable;
}
