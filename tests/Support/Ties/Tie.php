<?php

declare(strict_types=1);

namespace Tests\Support\Ties;

use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\Field;

/** A line between two topics with a word on it, which exists to show what a feature gets for naming a sort of row. */
final readonly class Tie extends FeatureRow
{
    public static function type(): string
    {
        return 'tie';
    }

    public static function words(): string
    {
        return 'tie';
    }

    public static function declared(): array
    {
        return ['from' => Field::topic(), 'to' => Field::topic(), 'word' => Field::text(200)->asked()];
    }
}
