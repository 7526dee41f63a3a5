<?php

declare(strict_types=1);

namespace ChalkTree\Map;

use ChalkTree\Features;

/** What a map can hold: its sheet, its topics, and the rows of features. */
final class RowTypes
{
    /** @return list<class-string<Row>> */
    public static function all(): array
    {
        return [Sheet::class, Topic::class, ...Features::rows()];
    }

    /**
     * The class of a feature's sort of row.
     *
     * @return class-string<FeatureRow>
     *
     * @throws UnknownRowType
     */
    public static function ofFeature(string $type): string
    {
        foreach (Features::rows() as $class) {
            if ($class::type() === $type) {
                return $class;
            }
        }

        throw new UnknownRowType("There is no sort of row called “{$type}”.", 'type');
    }

    /**
     * @param  array<string, scalar|null>  $fields
     */
    public static function make(string $type, string $id, array $fields): Row
    {
        return match ($type) {
            Topic::type() => Topic::fromFields($id, $fields),
            Sheet::type() => Sheet::fromFields($id, $fields),
            default => self::ofFeature($type)::fromFields($id, $fields),
        };
    }
}
