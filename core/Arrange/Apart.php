<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

use ChalkTree\Map\Bounds;
use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\Field;

/** How far a branch is held away by hand from what it stands among. */
final readonly class Apart extends FeatureRow
{
    public static function type(): string
    {
        return 'apart';
    }

    public static function words(): string
    {
        return 'distance';
    }

    /** In pixels: "x" farther from its parent; "y" from the sibling before it or, below zero, from the one after. */
    public static function declared(): array
    {
        return [
            'x' => Field::whole(0, Bounds::FARTHEST_APART, 0),
            'y' => Field::whole(-Bounds::FARTHEST_APART, Bounds::FARTHEST_APART, 0),
        ];
    }

    public static function isOfPlace(): bool
    {
        return true;
    }
}
