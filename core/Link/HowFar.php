<?php

declare(strict_types=1);

namespace ChalkTree\Link;

use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\Field;

/** That a topic shows how far the map is to which it leads; see ToldHowFar. */
final readonly class HowFar extends FeatureRow
{
    public static function type(): string
    {
        return 'how-far';
    }

    public static function words(): string
    {
        return 'how far the other map is';
    }

    public static function declared(): array
    {
        return ['shown' => Field::flag()->called('how far the other map is')];
    }
}
