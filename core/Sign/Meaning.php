<?php

declare(strict_types=1);

namespace ChalkTree\Sign;

use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\Field;
use ChalkTree\Map\Ids;

/** What a sign means on one map: a line of its legend. There is one a sign, whose id follows from it. */
final readonly class Meaning extends FeatureRow
{
    public const LONGEST = 200;

    public static function type(): string
    {
        return 'meaning';
    }

    public static function words(): string
    {
        return 'meaning of a sign';
    }

    public static function isOfMap(): bool
    {
        return true;
    }

    public static function isDrawnByLooks(): bool
    {
        return false;
    }

    public static function declared(): array
    {
        return [
            'sign' => Field::formed(Sign::isName(...), 60, 'be a sign such as “stamp:idea”, “chalk:tide” or “shape:oval”'),
            'means' => self::means(),
        ];
    }

    public static function means(): Field
    {
        return Field::formed(fn (string $text): bool => preg_match('/^\P{C}{1,'.self::LONGEST.'}$/uD', $text) === 1 && trim($text) !== '', 4 * self::LONGEST, 'be 1 to '.self::LONGEST.' letters')->called('meaning of a sign');
    }

    /** The id of the row for a sign. */
    public static function idOf(string $sign): string
    {
        return Ids::named($sign);
    }

    public static function of(string $sign, string $means): self
    {
        return self::fromFields(self::idOf($sign), ['sign' => $sign, 'means' => $means]);
    }
}
