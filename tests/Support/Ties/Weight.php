<?php

declare(strict_types=1);

namespace Tests\Support\Ties;

use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\Field;

/** A number kept of a topic: a sort of which there is one a topic. */
final readonly class Weight extends FeatureRow
{
    public static function type(): string
    {
        return 'weight';
    }

    public static function words(): string
    {
        return 'weight';
    }

    public static function declared(): array
    {
        return ['grams' => Field::number(0, 1000)->asked(), 'guessed' => Field::flag(), 'by' => Field::day()->asked()];
    }
}
