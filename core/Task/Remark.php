<?php

declare(strict_types=1);

namespace ChalkTree\Task;

use ChalkTree\Ask\People;
use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\Field;

/** What was said of a to-do on a day, and how far it was then. All of one topic are its log. */
final readonly class Remark extends FeatureRow
{
    public const LONGEST = 4_000;

    public static function type(): string
    {
        return 'remark';
    }

    public static function words(): string
    {
        return 'remark';
    }

    /** "who" signed it. "private": it never leaves the map. */
    public static function declared(): array
    {
        return [
            'at' => Field::topic(),
            'on' => Field::day()->called('day of a remark')->asked(),
            'said' => Field::text(self::LONGEST)->called('remark')->asked(),
            'progress' => Field::number(0, 100)->called('progress in a remark'),
            'who' => Field::formed(fn (string $name): bool => People::fits($name, 1), 4 * People::LONGEST, 'be one name')->called('name at a remark'),
            'private' => Field::flag()->called('privacy of a remark'),
        ];
    }

    public function at(): string
    {
        return $this->text('at');
    }
}
