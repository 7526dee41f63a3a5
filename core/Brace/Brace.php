<?php

declare(strict_types=1);

namespace ChalkTree\Brace;

use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\Field;

/** A brace over neighbouring siblings; what it says is an ordinary topic beside them in the tree. */
final readonly class Brace extends FeatureRow
{
    public static function type(): string
    {
        return 'brace';
    }

    public static function words(): string
    {
        return 'brace';
    }

    /** "first" and "last" of the siblings that it spans, in their order; those that come between belong to it. */
    public static function declared(): array
    {
        return ['topic' => Field::topic(), 'first' => Field::topic(), 'last' => Field::topic()];
    }

    public function topic(): string
    {
        return $this->text('topic');
    }

    public function first(): string
    {
        return $this->text('first');
    }

    public function last(): string
    {
        return $this->text('last');
    }
}
