<?php

declare(strict_types=1);

namespace ChalkTree\HandOver;

use ChalkTree\Feature;
use ChalkTree\WithoutEdits;
use ChalkTree\WithoutMarks;

/** Settings for handing a map over, kept with it under their names. */
final class HandOverFeature implements Feature
{
    use WithoutEdits;
    use WithoutMarks;

    public function rows(): array
    {
        return [Choices::class];
    }
}
