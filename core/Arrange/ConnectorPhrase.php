<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\Field;

/** The linking phrase on the connector that leads to a topic, which makes a sentence of its parent, the phrase and itself. */
final readonly class ConnectorPhrase extends FeatureRow
{
    public const LONGEST = 300;

    public static function type(): string
    {
        return 'phrase';
    }

    public static function words(): string
    {
        return 'linking phrase';
    }

    /** "judged" is what a teacher says of the proposition. */
    public static function declared(): array
    {
        return [
            'phrase' => Field::text(self::LONGEST)->asked(),
            'judged' => Field::choice(['valid', 'doubtful', 'wrong'])->called('judgement of the proposition')->asked(),
        ];
    }
}
