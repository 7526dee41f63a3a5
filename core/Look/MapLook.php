<?php

declare(strict_types=1);

namespace ChalkTree\Look;

use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\Field;

/** What is said of the look of a map as a whole. */
final readonly class MapLook extends FeatureRow
{
    /** How topics come by their chalks. */
    public const CHALKS = ['branch', 'level', 'one'];

    public static function type(): string
    {
        return 'map-look';
    }

    public static function words(): string
    {
        return 'look of the map';
    }

    public static function isOfMap(): bool
    {
        return true;
    }

    /** "whole" is the whole-map look it begins with; "chalks" how topics come by theirs; "chalk" the one for all; "mirrored" whether the map runs from right to left. */
    public static function declared(): array
    {
        return [
            'whole' => Field::choice(Looks::names())->called('look'),
            'chalks' => Field::choice(self::CHALKS)->called('chalks'),
            'chalk' => LookFields::chalk()->called('chalk for all'),
            'mirrored' => Field::flag()->called('direction of the map'),
        ] + LookFields::all();
    }
}
