<?php

declare(strict_types=1);

namespace ChalkTree\Ring;

use ChalkTree\Look\LookFields;
use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\Field;

/** A line drawn around topics that belong together; which those are, its RingMembers say. */
final readonly class Ring extends FeatureRow
{
    public const MOST = 200;

    /** How it looks where nothing is said, pixels. */
    public const THICK = 2;

    public const CORNER = 14;

    public static function type(): string
    {
        return 'ring';
    }

    public static function words(): string
    {
        return 'ring';
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

    public static function most(): int
    {
        return self::MOST;
    }

    /** "line": null for a solid one; "fill": null for none; "corner": how round, pixels. */
    public static function declared(): array
    {
        return [
            'name' => Field::text(200)->called('name of the ring'),
            'chalk' => LookFields::chalk()->called('chalk of the ring'),
            'line' => Field::choice(['dashed', 'dotted', 'none'])->called('line of the ring'),
            'thick' => Field::number(1, 12)->called('thickness of the ring'),
            'fill' => Field::choice(['tint'])->called('fill of the ring'),
            'corner' => Field::number(0, 60)->called('corners of the ring'),
        ];
    }

    public function needs(): array
    {
        return LookFields::mixedIn($this);
    }
}
