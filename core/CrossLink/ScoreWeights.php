<?php

declare(strict_types=1);

namespace ChalkTree\CrossLink;

use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\Field;
use ChalkTree\Map\TopicMap;

/**
 * What each thing counts in the score of a concept map; without a row as in the published method (Novak and Gowin,
 * Learning How to Learn, 1984): a valid proposition 1, a level 5, a cross-link 10, an example 1.
 */
final readonly class ScoreWeights extends FeatureRow
{
    public static function type(): string
    {
        return 'score-weights';
    }

    public static function words(): string
    {
        return 'weights of the score';
    }

    public static function isOfMap(): bool
    {
        return true;
    }

    /** No topic looks otherwise for it. */
    public static function isDrawnByLooks(): bool
    {
        return false;
    }

    public static function declared(): array
    {
        return [
            'valid' => Field::whole(0, 100, 1)->called('weight of a valid proposition'),
            'level' => Field::whole(0, 100, 5)->called('weight of a level'),
            'cross' => Field::whole(0, 100, 10)->called('weight of a cross-link'),
            'example' => Field::whole(0, 100, 1)->called('weight of an example'),
        ];
    }

    /** Those of a map: of several rows, as two people may make at once, the older. */
    public static function of(TopicMap $map): self
    {
        $rows = $map->rowsOf(self::class);
        ksort($rows);

        return $rows[array_key_first($rows)] ?? self::fromFields('', []);
    }
}
