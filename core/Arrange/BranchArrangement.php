<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\Field;

/** The arrangement of one branch, where it is another than that of what stands above it. */
final readonly class BranchArrangement extends FeatureRow
{
    public static function type(): string
    {
        return 'arrangement';
    }

    public static function words(): string
    {
        return 'arrangement';
    }

    /** "headings": whether the first row of a grid is one of headings. */
    public static function declared(): array
    {
        return [
            'name' => Field::choice(Arrangements::names())->asked(),
            'headings' => Field::flag()->called('headings'),
        ];
    }
}
