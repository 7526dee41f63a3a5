<?php

declare(strict_types=1);

namespace ChalkTree\Draft;

use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\Field;

/** Where somebody who writes stopped, and what comes next: "letters" of the note's Markdown stand before the place. */
final readonly class StopMark extends FeatureRow
{
    /** Letters of a remark. */
    public const LONGEST = 300;

    public static function type(): string
    {
        return 'stopped';
    }

    public static function words(): string
    {
        return 'mark where you stopped';
    }

    public static function declared(): array
    {
        return [
            'letters' => Field::number(0, 10_000_000)->called('mark where you stopped'),
            'remark' => Field::text(self::LONGEST)->called('remark where you stopped'),
            'on' => Field::day()->called('day on which you stopped'),
        ];
    }
}
