<?php

declare(strict_types=1);

namespace ChalkTree\Ring;

use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\Field;
use ChalkTree\Map\Ids;

/** A topic that a ring goes around, with all below it. */
final readonly class RingMember extends FeatureRow
{
    /** More in one ring is a branch or a tag. */
    public const MOST_IN_ONE = 300;

    public static function type(): string
    {
        return 'ring-member';
    }

    public static function words(): string
    {
        return 'place in a ring';
    }

    public static function declared(): array
    {
        return [
            'topic' => Field::topic(),
            'ring' => Field::formed(Ids::valid(...), 26, 'be the id of a ring'),
        ];
    }

    public function needs(): array
    {
        return [[Ring::class, $this->ring()]];
    }

    public function topic(): string
    {
        return $this->text('topic');
    }

    public function ring(): string
    {
        return $this->text('ring');
    }
}
