<?php

declare(strict_types=1);

namespace ChalkTree\Number;

use ChalkTree\Arrange\Scene;
use ChalkTree\Feature;
use ChalkTree\Map\TopicMap;

/** Branches whose topics are numbered. */
final class NumberFeature implements Feature
{
    public function rows(): array
    {
        return [BranchNumbering::class];
    }

    public function edits(): array
    {
        return [NumberBranch::class];
    }

    public function schema(): array
    {
        return ['NumberBranch' => [
            'name' => NumberBranch::name(),
            'properties' => ['topics' => ['type' => 'array', 'items' => ['type' => 'string']], 'numbering' => ['type' => ['string', 'null']], 'from' => ['type' => 'integer']],
            'required' => ['topics', 'numbering'],
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
