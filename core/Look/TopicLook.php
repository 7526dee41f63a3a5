<?php

declare(strict_types=1);

namespace ChalkTree\Look;

use ChalkTree\Map\Bounds;
use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\Field;

/** What a person said of the look of one topic. What is not said is inherited. */
final readonly class TopicLook extends FeatureRow
{
    public static function type(): string
    {
        return 'look';
    }

    public static function words(): string
    {
        return 'look';
    }

    /** "width" in pixels; else the text decides. */
    public static function declared(): array
    {
        return ['width' => Field::number(Bounds::NARROWEST, Bounds::WIDEST)->called('width')];
    }
}
