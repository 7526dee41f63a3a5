<?php

declare(strict_types=1);

namespace ChalkTree\Number;

use ChalkTree\Map\Bounds;
use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\Field;

/** How what is below a topic is numbered. */
final readonly class BranchNumbering extends FeatureRow
{
    public static function type(): string
    {
        return 'numbering';
    }

    public static function words(): string
    {
        return 'numbering';
    }

    /** "style" as Numbering has it; "from", the first number. */
    public static function declared(): array
    {
        return [
            'style' => Field::formed(fn (string $text): bool => Numbering::parse($text) !== null, 40, 'name a style for up to nine levels, such as “1.1*” or “A,1,a”')->asked(),
            'from' => Field::whole(0, Bounds::HIGHEST_NUMBER, 1),
        ];
    }
}
