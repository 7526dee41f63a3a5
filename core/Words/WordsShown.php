<?php

declare(strict_types=1);

namespace ChalkTree\Words;

use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\Field;

/** Whether topics of a map say how many words their notes and those below them have. */
final readonly class WordsShown extends FeatureRow
{
    public static function type(): string
    {
        return 'words';
    }

    public static function words(): string
    {
        return 'count of words';
    }

    public static function isOfMap(): bool
    {
        return true;
    }

    public static function isDrawnByLooks(): bool
    {
        return true;
    }

    public static function declared(): array
    {
        return ['shown' => Field::flag()];
    }
}
