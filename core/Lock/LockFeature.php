<?php

declare(strict_types=1);

namespace ChalkTree\Lock;

use ChalkTree\Face\PutsInBoxes;
use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\TopicMap;
use ChalkTree\WithoutEdits;
use ChalkTree\WithoutMarks;

/** Topics that others may not change, and parts of a hand-out that a class gets later. */
final class LockFeature implements PutsInBoxes
{
    use WithoutEdits;
    use WithoutMarks;

    public function rows(): array
    {
        return [Lock::class];
    }

    public function inBoxes(): array
    {
        return [Lock::class];
    }

    public function parts(TopicMap $map, FeatureRow $row): array
    {
        return $row instanceof Lock && ! $row->isEmpty() ? [new LockSign($row->isLater())] : [];
    }
}
