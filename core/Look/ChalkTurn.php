<?php

declare(strict_types=1);

namespace ChalkTree\Look;

use ChalkTree\Map\Bounds;
use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\Field;

/**
 * Which chalk a first-level branch takes where they are taken in turn, if that is not the one after the branch that was
 * made before it: so a branch keeps its chalk when one before it goes. Nobody says it; see ChalkTurns.
 */
final readonly class ChalkTurn extends FeatureRow
{
    public static function type(): string
    {
        return 'chalk-turn';
    }

    public static function words(): string
    {
        return 'turn among the chalks';
    }

    public static function isOfPlace(): bool
    {
        return true;
    }

    public static function isTold(): bool
    {
        return false;
    }

    public static function declared(): array
    {
        return ['turn' => Field::number(0, Bounds::MOST_TOPICS)];
    }
}
