<?php

declare(strict_types=1);

namespace ChalkTree\Sign;

use ChalkTree\Map\Bounds;
use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\Field;

/** Whether the legend stands on the board, and where, if a person put it somewhere. */
final readonly class LegendPlace extends FeatureRow
{
    public static function type(): string
    {
        return 'legend';
    }

    public static function words(): string
    {
        return 'legend';
    }

    public static function isOfMap(): bool
    {
        return true;
    }

    public static function isDrawnByLooks(): bool
    {
        return false;
    }

    /** "x" and "y": its corner from the middle of the root, pixels at scale 1. */
    public static function declared(): array
    {
        return [
            'shown' => Field::flag(),
            'x' => Field::number(-Bounds::FARTHEST, Bounds::FARTHEST)->called('place of the legend'),
            'y' => Field::number(-Bounds::FARTHEST, Bounds::FARTHEST)->called('place of the legend'),
        ];
    }
}
