<?php

declare(strict_types=1);

namespace ChalkTree\Number;

use ChalkTree\Feature;
use ChalkTree\WithoutMarks;

/** Branches whose topics are numbered. */
final class NumberFeature implements Feature
{
    use WithoutMarks;

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
}
