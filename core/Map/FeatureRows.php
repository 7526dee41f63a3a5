<?php

declare(strict_types=1);

namespace ChalkTree\Map;

use ChalkTree\Features;
use Closure;

/** What features keep of a map, each sort of row read when it is first asked for. */
final class FeatureRows
{
    /** @var array<string, array<string, FeatureRow>> by type and id */
    private array $rows = [];

    /** @var array<string, Closure(string): iterable<FeatureRow>> what reads those not read yet, by type */
    private array $unread = [];

    /** @param  Closure(string): iterable<FeatureRow>  $read  all rows of a type; to be called before anything else */
    public function lend(Closure $read): void
    {
        /** @var array<string, list<FeatureRow>> $known */
        $known = [];
        // Copies of a map share what one of them has read; rows never change.
        $once = function (string $type) use ($read, &$known): array {
            return $known[$type] ??= [...$read($type)];
        };
        foreach (Features::rows() as $class) {
            $this->unread[$class::type()] = $once;
        }
    }

    /** @return array<string, FeatureRow> by id */
    public function ofType(string $type): array
    {
        if (isset($this->unread[$type])) {
            $read = $this->unread[$type];
            unset($this->unread[$type]);
            foreach ($read($type) as $row) {
                $this->rows[$type][$row->id] = $row;
            }
        }

        return $this->rows[$type] ?? [];
    }

    /** @return array<string, array<string, FeatureRow>> by type and id */
    public function all(): array
    {
        foreach (array_keys($this->unread) as $type) {
            $this->ofType($type);
        }

        return $this->rows;
    }

    public function put(FeatureRow $row): void
    {
        $this->ofType($row::type());
        $this->rows[$row::type()][$row->id] = $row;
    }

    public function drop(string $type, string $id): void
    {
        $this->ofType($type);
        unset($this->rows[$type][$id]);
    }
}
