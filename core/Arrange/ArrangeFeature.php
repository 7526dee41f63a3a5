<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

use ChalkTree\Edit\Recorder;
use ChalkTree\Edit\Settles;
use ChalkTree\Feature;
use ChalkTree\Look\SaysLooks;
use ChalkTree\Map\TopicMap;

/** Branches with an arrangement of their own, and those that are pulled apart. */
final class ArrangeFeature implements Feature, SaysLooks, Settles
{
    public function rows(): array
    {
        return [BranchArrangement::class, Apart::class, Place::class];
    }

    /** Topics that stand free stay where they are. */
    public function settle(TopicMap $map, Recorder $recorder): void
    {
        FreePlaces::settle($map, $recorder);
    }

    public function looks(TopicMap $map): iterable
    {
        $headings = GridHeadings::of($map);

        return $headings === null ? [] : [$headings];
    }

    public function edits(): array
    {
        return [HoldApart::class, AlignTopics::class, GridColumn::class];
    }

    public function schema(): array
    {
        return ['HoldApart' => [
            'name' => HoldApart::name(),
            'properties' => ['topics' => ['type' => 'array', 'items' => ['type' => 'string']], 'x' => ['type' => 'integer'], 'y' => ['type' => 'integer'], 'deep' => ['type' => 'boolean']],
            'required' => ['topics', 'x', 'y'],
        ], 'AlignTopics' => [
            'name' => AlignTopics::name(),
            'properties' => ['topics' => ['type' => 'array', 'items' => ['type' => 'string']], 'way' => ['enum' => AlignTopics::WAYS]],
            'required' => ['topics', 'way'],
        ], 'GridColumn' => [
            'name' => GridColumn::name(),
            'properties' => ['topic' => ['type' => 'string'], 'do' => ['enum' => GridColumn::WAYS], 'as' => ['type' => 'string'], 'to' => ['type' => 'integer']],
            'required' => ['topic', 'do'],
        ]];
    }

    public function drawn(): array
    {
        return [];
    }

    public function marks(TopicMap $map, Scene $scene): iterable
    {
        return [];
    }
}
