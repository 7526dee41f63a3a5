<?php

declare(strict_types=1);

namespace ChalkTree\Draft;

use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\Field;

/** How many words a topic is to have as a text, with all below it. */
final readonly class Goal extends FeatureRow
{
    public const MOST = 10_000_000;

    public static function type(): string
    {
        return 'goal';
    }

    public static function words(): string
    {
        return 'goal of words';
    }

    public static function declared(): array
    {
        return ['words' => Field::number(1, self::MOST)->called('goal of words'), 'daily' => Field::number(1, self::MOST)->called('goal of words a day')];
    }
}
