<?php

declare(strict_types=1);

namespace ChalkTree\Link;

use ChalkTree\Map\Bounds;
use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\Field;

/** How far the map was to which a topic leads, when that was last looked at: so many topics below its root, and so many of them done. */
final readonly class ToldHowFar extends FeatureRow
{
    public static function type(): string
    {
        return 'told-how-far';
    }

    public static function words(): string
    {
        return 'how far the other map is';
    }

    public static function declared(): array
    {
        return ['of' => Field::number(0, Bounds::MOST_TOPICS * 10), 'done' => Field::number(0, Bounds::MOST_TOPICS * 10)];
    }

    /** In a few words; empty where it is not known. */
    public function said(): string
    {
        [$of, $done] = [$this->number('of'), $this->number('done') ?? 0];

        return match (true) {
            $of === null => '',
            $done > 0 => "{$done} of {$of} done",
            default => $of === 1 ? '1 topic' : "{$of} topics",
        };
    }

    public static function isTold(): bool
    {
        return false;
    }
}
