<?php

declare(strict_types=1);

namespace ChalkTree\Kind;

use ChalkTree\Ask\Measure;
use ChalkTree\Ask\Sum;
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

    public function hangsOn(): string
    {
        return '';
    }

    public function handedOn(string $topic, ?Sum $below): ?Sum
    {
        $value = Kinds::values($this->map, $topic)[$this->field] ?? null;
        if ($value === null || ! is_numeric($value)) {
            return $below;
        }
        $own = Sum::one((float) $value);

        return $below?->with($own) ?? $own;
    }
}
