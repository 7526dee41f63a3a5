<?php

declare(strict_types=1);

namespace ChalkTree\Walk;

use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\Field;
use ChalkTree\Map\Rank;

/** Says that a walk stops at a topic, where only those are walked that are marked, and where it stands in one's own order. */
final readonly class Stop extends FeatureRow
{
    public static function type(): string
    {
        return 'stop';
    }

    public static function words(): string
    {
        return 'stop of a walk';
    }

    /** "rank" orders the stops as that of topics does siblings. */
    public static function declared(): array
    {
        return ['rank' => Field::formed(Rank::isRight(...), 200, 'be a rank')->called('place in the walk')];
    }

    public function rank(): string
    {
        return $this->text('rank');
    }
}
