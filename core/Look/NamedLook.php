<?php

declare(strict_types=1);

namespace ChalkTree\Look;

use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\Field;

/** A look that is kept under a name, for topics to have. */
final readonly class NamedLook extends FeatureRow
{
    private const LONGEST_NAME = 60;

    public static function type(): string
    {
        return 'named-look';
    }

    public static function words(): string
    {
        return 'look by name';
    }

    public static function isOfMap(): bool
    {
        return true;
    }

    public static function declared(): array
    {
        return [
            'name' => self::named('name of a look'),
        ] + LookFields::all();
    }

    public function needs(): array
    {
        return LookFields::mixedIn($this);
    }

    /** A field that holds a name. */
    public static function named(string $called): Field
    {
        return Field::formed(fn (string $name): bool => preg_match('/^\P{C}{1,'.self::LONGEST_NAME.'}$/uD', $name) === 1 && trim($name) !== '', 4 * self::LONGEST_NAME, 'be a name of 1 to 60 letters')->called($called);
    }
}
