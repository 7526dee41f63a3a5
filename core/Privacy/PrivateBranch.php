<?php

declare(strict_types=1);

namespace ChalkTree\Privacy;

use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\Field;

/** Says that a topic is private, with all below it. */
final readonly class PrivateBranch extends FeatureRow
{
    public static function type(): string
    {
        return 'private';
    }

    public static function words(): string
    {
        return 'privacy';
    }

    public static function declared(): array
    {
        return ['held' => Field::flag()->called('privacy')];
    }
}
