<?php

declare(strict_types=1);

namespace ChalkTree\Map;

use ChalkTree\Features;
use Closure;

/**
 * What features keep of a map. Each sort of row is read when it is first asked for, and of that each row is made when it
 * is: most edits ask for few, and a map may have as many as topics.
 *
 * @phpstan-type Written string|array<string, scalar|null>
 */
final class FeatureRows
{
    /** @var array<string, array<string, FeatureRow>> those that are made, by type and id */
    private array $rows = [];

    /** @var array<string, array<string, Written>> by type and id all that were read of a sort, as long as not all of them are made */
    private array $written = [];

    /** @var array<string, Closure(string): array<string, Written>> what reads those not read yet, by type */
    private array $unread = [];

    /** @param  Closure(string): array<string, Written>  $read  all rows of a type by id, their fields as JSON or as they are; to be called before anything else */
    public function lend(Closure $read): void
    {
        /** @var array<string, array<string, Written>> $known */
        $known = [];
        // Copies of a map share what one of them has read; rows never change.
        $once = function (string $type) use ($read, &$known): array {
            return $known[$type] ??= $read($type);
        };
        foreach (Features::rows() as $class) {
            $this->unread[$class::type()] = $once;
        }
    }

    /** @return array<string, FeatureRow> by id */
    public function ofType(string $type): array
    {
        $this->read($type);
        if (isset($this->written[$type])) {
            $rows = [];
            // In the order in which they were read, those that came since behind them.
            foreach ($this->written[$type] as $id => $written) {
                $rows[$id] = $this->rows[$type][$id] ?? self::made($type, (string) $id, $written);
            }
            $this->rows[$type] = $rows + ($this->rows[$type] ?? []);
            unset($this->written[$type]);
        }

        return $this->rows[$type] ?? [];
    }

    /** Whether there is one of a sort; none is made for that. */
    public function has(string $type): bool
    {
        $this->read($type);

        return ($this->written[$type] ?? []) !== [] || ($this->rows[$type] ?? []) !== [];
    }

    /**
     * All rows of a sort as JSON of the fields that say something, in the order of ofType(). What was lent so and is not
     * made yet is handed on as it is.
     *
     * @return array<string, string> by id
     */
    public function written(string $type): array
    {
        $this->read($type);
        $written = [];
        foreach ($this->written[$type] ?? [] as $id => $its) {
            $row = $this->rows[$type][$id] ?? null;
            $written[$id] = $row !== null || ! is_string($its) ? self::json(($row ?? self::made($type, (string) $id, $its))->saying()) : $its;
        }
        foreach ($this->rows[$type] ?? [] as $id => $row) {
            $written[$id] ??= self::json($row->saying());
        }

        return $written;
    }

    /** @param  array<string, scalar|null>  $fields */
    private static function json(array $fields): string
    {
        return json_encode((object) $fields, JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR);
    }

    /**
     * The ids of the rows of a sort in whose fields some text stands; none is made for that.
     *
     * @param  bool  $anyCase  whether A is a; for texts of ASCII
     * @return list<string>
     */
    public function naming(string $type, string $text, bool $anyCase = false): array
    {
        $this->read($type);
        $found = [];
        foreach ($this->written[$type] ?? [] as $id => $written) {
            if (! isset($this->rows[$type][$id]) && self::isIn(is_string($written) ? [$written] : $written, $text, $anyCase)) {
                $found[] = (string) $id;
            }
        }
        foreach ($this->rows[$type] ?? [] as $id => $row) {
            if (self::isIn($row->fields(), $text, $anyCase)) {
                $found[] = (string) $id;
            }
        }

        return $found;
    }

    /** @param  array<array-key, scalar|null>  $fields */
    private static function isIn(array $fields, string $text, bool $anyCase): bool
    {
        foreach ($fields as $value) {
            if (is_string($value) && ($anyCase ? stripos($value, $text) !== false : str_contains($value, $text))) {
                return true;
            }
        }

        return false;
    }

    public function get(string $type, string $id): ?FeatureRow
    {
        $this->read($type);
        if (! isset($this->rows[$type][$id]) && isset($this->written[$type][$id])) {
            $this->rows[$type][$id] = self::made($type, $id, $this->written[$type][$id]);
        }

        return $this->rows[$type][$id] ?? null;
    }

    /** @return array<string, array<string, FeatureRow>> by type and id */
    public function all(): array
    {
        foreach (array_keys($this->unread + $this->written) as $type) {
            $this->ofType($type);
        }

        return $this->rows;
    }

    public function put(FeatureRow $row): void
    {
        $this->read($row::type());
        $this->rows[$row::type()][$row->id] = $row;
    }

    public function drop(string $type, string $id): void
    {
        $this->read($type);
        unset($this->rows[$type][$id], $this->written[$type][$id]);
    }

    private function read(string $type): void
    {
        if (isset($this->unread[$type])) {
            $written = ($this->unread[$type])($type);
            unset($this->unread[$type]);
            if ($written !== []) {
                $this->written[$type] = $written;
            }
        }
    }

    /** @param  Written  $written */
    private static function made(string $type, string $id, string|array $written): FeatureRow
    {
        /** @var array<string, scalar|null> $fields */
        $fields = is_string($written) ? json_decode($written, true, 4, JSON_THROW_ON_ERROR) : $written;

        return RowTypes::ofFeature($type)::fromFields($id, $fields);
    }
}
