<?php

declare(strict_types=1);

namespace ChalkTree\Edit;

use ChalkTree\Map\Row;

/**
 * What became of one row: the fields that differ, before and after. Null on one side means that the row was not
 * there, and then the other side has all its fields. In a record that was kept, long texts that changed are patches.
 *
 * @phpstan-type Kept array{type: string, id: string, before: array<string, scalar|null>|null, after: array<string, scalar|null>|null, patches?: array<string, array{at: int, cut: string, put: string, was: string, is: string}>}
 */
final readonly class Change
{
    /**
     * @param  array<string, scalar|null>|null  $before
     * @param  array<string, scalar|null>|null  $after
     * @param  array<string, TextPatch>  $patches  of fields that are in neither
     */
    public function __construct(
        public string $type,
        public string $id,
        public ?array $before,
        public ?array $after,
        public array $patches = [],
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

    /** @param  Kept  $data */
    public static function fromArray(array $data): self
    {
        return new self($data['type'], $data['id'], $data['before'], $data['after'], array_map(TextPatch::fromArray(...), $data['patches'] ?? []));
    }

    /** @return Kept */
    public function toArray(): array
    {
        [$before, $after, $patches] = [$this->before, $this->after, $this->patches];
        foreach ($this->before === null ? [] : $this->after ?? [] as $field => $is) {
            $was = $this->before[$field] ?? null;
            $patch = is_string($was) && is_string($is) ? TextPatch::between($was, $is) : null;
            if ($patch !== null) {
                $patches[$field] = $patch;
                unset($before[$field], $after[$field]);
            }
        }

        return ['type' => $this->type, 'id' => $this->id, 'before' => $before, 'after' => $after]
            + ($patches === [] ? [] : ['patches' => array_map(fn (TextPatch $patch): array => $patch->toArray(), $patches)]);
    }

    public function reversed(): self
    {
        return new self($this->type, $this->id, $this->after, $this->before, array_map(fn (TextPatch $patch): TextPatch => $patch->reversed(), $this->patches));
    }

    /**
     * Whether a row is as this change found it.
     *
     * @param  array<string, scalar|null>  $now  its fields
     */
    public function fits(array $now): bool
    {
        foreach ($this->before ?? [] as $field => $value) {
            // When a text changed is a remark about it and no reason to leave everything as it is.
            if ($field !== 'changed' && array_key_exists($field, $now) && $now[$field] !== $value) {
                return false;
            }
        }
        foreach ($this->patches as $field => $patch) {
            if (! $patch->fits((string) ($now[$field] ?? ''))) {
                return false;
            }
        }

        return true;
    }

    /** @return list<string> the fields it is about; of a row that comes or goes, all */
    public function names(): array
    {
        return array_keys(($this->before ?? []) + ($this->after ?? []) + $this->patches);
    }

    /**
     * The fields of a row after this change, as far as it says.
     *
     * @param  array<string, scalar|null>  $now
     * @return array<string, scalar|null>
     */
    public function on(array $now): array
    {
        $after = $this->after ?? [];
        foreach ($this->patches as $field => $patch) {
            $after[$field] = $patch->on((string) ($now[$field] ?? ''));
        }

        return $after + $now;
    }
}
