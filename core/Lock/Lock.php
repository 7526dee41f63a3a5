<?php

declare(strict_types=1);

namespace ChalkTree\Lock;

use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\Field;

/** What the owner of a map says of a topic for others: that it stays as it is, or that it is not given to a class yet. */
final readonly class Lock extends FeatureRow
{
    public static function type(): string
    {
        return 'lock';
    }

    public static function words(): string
    {
        return 'lock';
    }

    /** "how": "fixed" where only the owner changes it; "later" where it comes, with all below it, once it is given. */
    public static function declared(): array
    {
        return ['how' => Field::choice(['fixed', 'later'])->called('lock')];
    }

    public function isFixed(): bool
    {
        return $this->text('how') === 'fixed';
    }

    public function isLater(): bool
    {
        return $this->text('how') === 'later';
    }
}
