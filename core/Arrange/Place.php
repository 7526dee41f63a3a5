<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

use ChalkTree\Map\Bounds;
use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\Field;

/** Where a person put a topic that stands free: its middle, from the middle of its parent, in pixels. */
final readonly class Place extends FeatureRow
{
    public static function type(): string
    {
        return 'place';
    }

    public static function words(): string
    {
        return 'place';
    }

    public static function declared(): array
    {
        return ['x' => Field::number(-Bounds::FARTHEST_FREE, Bounds::FARTHEST_FREE), 'y' => Field::number(-Bounds::FARTHEST_FREE, Bounds::FARTHEST_FREE)];
    }

    public static function isOfPlace(): bool
    {
        return true;
    }

    /** @return array{int, int}|null */
    public function at(): ?array
    {
        [$x, $y] = [$this->number('x'), $this->number('y')];

        return $x === null || $y === null ? null : [$x, $y];
    }
}
