<?php

declare(strict_types=1);

namespace ChalkTree\Look;

use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\Field;

/** A chalk mixed for one map, of one colour for each board. Looks name it by its id; see Palette. */
final readonly class MixedChalk extends FeatureRow
{
    public static function type(): string
    {
        return 'mixed-chalk';
    }

    public static function words(): string
    {
        return 'mixed chalk';
    }

    public static function isOfMap(): bool
    {
        return true;
    }

    public static function declared(): array
    {
        return ['name' => NamedLook::named('name of a chalk')] + array_map(
            fn (BoardTheme $board): Field => Field::formed(Contrast::isColour(...), 7, 'be a colour as “#2b7f86”')->called("colour on the {$board->value} board"),
            array_column(BoardTheme::mixedFor(), null, 'value'),
        );
    }
}
