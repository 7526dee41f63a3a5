<?php

declare(strict_types=1);

namespace ChalkTree\Kind;

use ChalkTree\Ask\Measure;
use ChalkTree\Map\TopicMap;

/** The numbers of one field. */
final readonly class FieldMeasure implements Measure
{
    public function __construct(private TopicMap $map, private string $field)
    {
    }

    public function key(): string
    {
        return $this->field;
    }

    public function of(string $topic): ?array
    {
        $value = Kinds::values($this->map, $topic)[$this->field] ?? null;

        return $value === null || ! is_numeric($value) ? null : [(float) $value, 1.0];
    }

    public function givesWay(): bool
    {
        return false;
    }
}
