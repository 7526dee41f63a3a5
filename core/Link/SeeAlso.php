<?php

declare(strict_types=1);

namespace ChalkTree\Link;

use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\Field;

/** Two topics of a map that lead to each other without a line, or one that leads to the other. */
final readonly class SeeAlso extends FeatureRow
{
    private const MOST = 5_000;

    public static function type(): string
    {
        return 'see-also';
    }

    public static function words(): string
    {
        return 'see also';
    }

    public static function most(): int
    {
        return self::MOST;
    }

    /** "oneWay": whether only the first leads to the other. */
    public static function declared(): array
    {
        return ['one' => Field::topic(), 'other' => Field::topic(), 'oneWay' => Field::flag()->called('direction of the link')];
    }

    /** Whether a topic leads to the other one. */
    public function leadsFrom(string $topic): bool
    {
        return $this->text('one') === $topic || ($this->text('other') === $topic && ! $this->flag('oneWay'));
    }
}
