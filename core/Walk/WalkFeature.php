<?php

declare(strict_types=1);

namespace ChalkTree\Walk;

use ChalkTree\Feature;
use ChalkTree\WithoutMarks;

/** Walking through a map: the stops that are marked, in an order of their own. */
final class WalkFeature implements Feature
{
    use WithoutMarks;

    public function rows(): array
    {
        return [Stop::class];
    }

    public function edits(): array
    {
        return [PutStops::class, RemoveStops::class];
    }

    public function schema(): array
    {
        $ids = ['type' => 'array', 'items' => ['type' => 'string']];

        return [
            'PutStops' => ['name' => PutStops::name(), 'properties' => ['topics' => $ids, 'after' => ['type' => ['string', 'null']]], 'required' => ['topics']],
            'RemoveStops' => ['name' => RemoveStops::name(), 'properties' => ['topics' => $ids], 'required' => ['topics']],
        ];
    }
}
