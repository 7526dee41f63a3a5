<?php

declare(strict_types=1);

namespace ChalkTree\Look;

use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\Field;

/** What is said of the look of all topics of one level of a map. */
final readonly class LevelLook extends FeatureRow
{
    public static function type(): string
    {
        return 'level-look';
    }

    public static function words(): string
    {
        return 'look of a level';
    }

    public static function isOfMap(): bool
    {
        return true;
    }

    /** "level" 0 is the root's; the deepest holds for all below it. */
    public static function declared(): array
    {
        return ['level' => Field::whole(0, Looks::DEEPEST, 0)->called('level')] + LookFields::all();
    }
}
