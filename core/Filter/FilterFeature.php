<?php

declare(strict_types=1);

namespace ChalkTree\Filter;

use ChalkTree\Feature;
use ChalkTree\WithoutEdits;
use ChalkTree\WithoutMarks;

/** Filters that are kept under names. */
final class FilterFeature implements Feature
{
    use WithoutEdits;
    use WithoutMarks;

    public function rows(): array
    {
        return [Filter::class];
    }
}
