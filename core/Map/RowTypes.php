<?php

declare(strict_types=1);

namespace ChalkTree\Map;

/** The list of what a map can hold. A new sort of row is one class and one line here. */
final class RowTypes
{
    /** @var list<class-string<Row>> */
    public const ALL = [
        Sheet::class,
        Topic::class,
    ];

    /**
     * @param  array<string, scalar|null>  $fields
     */
    public static function make(string $type, string $id, array $fields): Row
    {
        foreach (self::ALL as $class) {
            if ($class::type() === $type) {
                return $class::fromFields($id, $fields);
            }
        }

        throw new UnknownRowType("There is no sort of row called “{$type}”.", 'type');
    }
}
