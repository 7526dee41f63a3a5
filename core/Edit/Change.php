<?php

declare(strict_types=1);

namespace ChalkTree\Edit;

use ChalkTree\Map\Row;

/**
 * What became of one row: the fields that differ, before and after. Null on one side means that the row was not
 * there, and then the other side has all its fields.
 */
final readonly class Change
{
    /**
     * @param  array<string, scalar|null>|null  $before
     * @param  array<string, scalar|null>|null  $after
     */
    public function __construct(
        public string $type,
        public string $id,
        public ?array $before,
        public ?array $after,
    ) {
    }

    /** The change from one state of a row to another, or null where there is none. */
    public static function between(string $type, string $id, ?Row $before, ?Row $after): ?self
    {
        $was = $before?->fields();
        $is = $after?->fields();
        if ($was !== null && $is !== null) {
            $differs = array_filter(array_keys($is), fn (string $field): bool => $was[$field] !== $is[$field]);
            $was = array_intersect_key($was, array_flip($differs));
            $is = array_intersect_key($is, array_flip($differs));
        }

        return $was === $is ? null : new self($type, $id, $was, $is);
    }

    /**
     * @param  array{type: string, id: string, before: array<string, scalar|null>|null, after: array<string, scalar|null>|null}  $data
     */
    public static function fromArray(array $data): self
    {
        return new self($data['type'], $data['id'], $data['before'], $data['after']);
    }

    /**
     * @return array{type: string, id: string, before: array<string, scalar|null>|null, after: array<string, scalar|null>|null}
     */
    public function toArray(): array
    {
        return ['type' => $this->type, 'id' => $this->id, 'before' => $this->before, 'after' => $this->after];
    }

    public function reversed(): self
    {
        return new self($this->type, $this->id, $this->after, $this->before);
    }
}
