<?php

declare(strict_types=1);

namespace ChalkTree\Privacy;

use ChalkTree\Face\PutsInBoxes;
use ChalkTree\HandOver\HeldSign;
use ChalkTree\HandOver\HoldsBack;
use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\TopicMap;
use ChalkTree\WithoutEdits;
use ChalkTree\WithoutMarks;

/** Topics that never leave their map, with all below them. */
final class PrivacyFeature implements HoldsBack, PutsInBoxes
{
    use WithoutEdits;
    use WithoutMarks;

    private readonly HeldSign $sign;

    public function __construct()
    {
        $this->sign = new HeldSign;
    }

    public function rows(): array
    {
        return [PrivateBranch::class];
    }

    public function inBoxes(): array
    {
        return [PrivateBranch::class];
    }

    public function parts(TopicMap $map, FeatureRow $row): array
    {
        return $row->flag('held') ? [$this->sign] : [];
    }

    public function heldTopics(TopicMap $map): array
    {
        return array_map(strval(...), array_keys(array_filter($map->rowsOf(PrivateBranch::class), fn (PrivateBranch $row): bool => $row->flag('held'))));
    }

    public function heldRows(TopicMap $map): array
    {
        return [];
    }
}
