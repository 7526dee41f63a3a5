<?php

declare(strict_types=1);

namespace ChalkTree\Filter;

use ChalkTree\Ask\AsksOfTopics;
use ChalkTree\Ask\KeepsCondition;
use ChalkTree\Look\NamedLook;
use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\Field;

/** A filter that is kept under a name: which topics are left, and what is shown of the others. */
final readonly class Filter extends FeatureRow implements AsksOfTopics
{
    use KeepsCondition;

    public static function type(): string
    {
        return 'filter';
    }

    public static function words(): string
    {
        return 'filter';
    }

    public static function isOfMap(): bool
    {
        return true;
    }

    public static function isDrawnByLooks(): bool
    {
        return false;
    }

    /** "when": a condition as JSON. "shows": see Showing. */
    public static function declared(): array
    {
        return [
            'name' => NamedLook::named('name of a filter'),
            'when' => self::whenField()->called('condition of a filter'),
            'shows' => Field::choice(array_column(Showing::cases(), 'value'))->called('what a filter shows'),
        ];
    }
}
