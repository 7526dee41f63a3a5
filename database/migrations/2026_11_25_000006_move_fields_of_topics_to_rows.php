<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Width, numbering and distances become rows of their features, in the maps and in the records of what was done to them. */
return new class extends Migration
{
    /** By the type of row and its field: the field of a topic, its column, and what it holds where nothing was said. */
    private const MOVED = [
        'look' => ['width' => ['width', 'width', null]],
        'numbering' => ['style' => ['numbering', 'numbering', null], 'from' => ['numberFrom', 'number_from', 1]],
        'apart' => ['x' => ['apartX', 'apart_x', 0], 'y' => ['apartY', 'apart_y', 0]],
    ];

    private const CHUNK = 400;

    public function up(): void
    {
        foreach (DB::table('maps')->pluck('id') as $map) {
            /** @var array<array<string, array<string, mixed>>> $state */
            $state = $this->topics((string) $map);
            foreach ($state as $id => $said) {
                foreach ($said as $type => $fields) {
                    DB::table('map_rows')->insert(['map_id' => $map, 'type' => $type, 'id' => $id, 'fields' => json_encode($fields, JSON_THROW_ON_ERROR)]);
                }
            }
            $this->rewrite((string) $map, fn (array $changes): array => $this->raised($changes, $state));
        }
        Schema::table('topics', fn (Blueprint $table) => $table->dropColumn(['width', 'numbering', 'number_from', 'apart_x', 'apart_y']));
    }

    public function down(): void
    {
        Schema::table('topics', function (Blueprint $table): void {
            $table->unsignedSmallInteger('width')->nullable();
            $table->string('numbering', 40)->nullable();
            $table->integer('number_from')->default(1);
            $table->integer('apart_x')->default(0);
            $table->integer('apart_y')->default(0);
        });
        foreach (DB::table('map_rows')->whereIn('type', array_keys(self::MOVED))->get() as $row) {
            $fields = (array) json_decode((string) $row->fields, true, 4, JSON_THROW_ON_ERROR);
            $columns = [];
            foreach (self::MOVED[$row->type] as $name => [, $column, $blank]) {
                $columns[$column] = $fields[$name] ?? $blank;
            }
            DB::table('topics')->where('map_id', $row->map_id)->where('id', $row->id)->update($columns);
        }
        DB::table('map_rows')->whereIn('type', array_keys(self::MOVED))->delete();
        foreach (DB::table('maps')->pluck('id') as $map) {
            $this->rewrite((string) $map, $this->lowered(...));
        }
    }

    /** @return array<string, array<string, array<string, mixed>>> what topics say, also those in the trash, by id and type of row; only what is not blank */
    private function topics(string $map): array
    {
        $topics = [];
        $rows = DB::table('topics')->where('map_id', $map)
            ->where(fn ($query) => $query->whereNotNull('width')->orWhereNotNull('numbering')->orWhere('number_from', '<>', 1)->orWhere('apart_x', '<>', 0)->orWhere('apart_y', '<>', 0))
            ->get(['id', 'width', 'numbering', 'number_from', 'apart_x', 'apart_y']);
        foreach ($rows as $row) {
            foreach (self::MOVED as $type => $fields) {
                $said = [];
                foreach ($fields as $name => [, $column, $blank]) {
                    $value = $row->{$column};
                    $said[$name] = $value === null || $name === 'style' ? $value : (int) $value;
                }
                if ($said !== $this->blank($type)) {
                    $topics[(string) $row->id][$type] = $said;
                }
            }
        }

        return $topics;
    }

    /** @return array<string, int|null> */
    private function blank(string $type): array
    {
        return array_map(fn (array $field): ?int => $field[2], self::MOVED[$type]);
    }

    /**
     * Rewrites the records of a map, latest first.
     *
     * @param  Closure(list<array<string, mixed>>): list<array<string, mixed>>  $change
     */
    private function rewrite(string $map, Closure $change): void
    {
        for ($before = PHP_INT_MAX; ;) {
            $records = DB::table('edits')->where('map_id', $map)->where('seq', '<', $before)->orderByDesc('seq')->limit(self::CHUNK)->get(['seq', 'changes']);
            foreach ($records as $record) {
                $changes = (array) json_decode((string) $record->changes, true, 512, JSON_THROW_ON_ERROR);
                $changed = $change(array_values($changes));
                if ($changed !== $changes) {
                    DB::table('edits')->where('map_id', $map)->where('seq', $record->seq)->update(['changes' => json_encode($changed, JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR)]);
                }
                $before = (int) $record->seq;
            }
            if (count($records) < self::CHUNK) {
                return;
            }
        }
    }

    /**
     * Takes from the changes of topics what is said in rows since. A change tells only what differs, and a row is there
     * or not as a whole, so what a topic said is followed back from how it is now.
     *
     * @param  list<array<string, mixed>>  $changes
     * @param  array<array<string, array<string, mixed>>>  $state  what topics said after these changes; then, what they said before
     * @return list<array<string, mixed>>
     */
    private function raised(array $changes, array &$state): array
    {
        $raised = $rows = [];
        foreach ($changes as $change) {
            if ($change['type'] !== 'topic') {
                $raised[] = $change;

                continue;
            }
            foreach (self::MOVED as $type => $fields) {
                $after = $state[$change['id']][$type] ?? $this->blank($type);
                $before = $change['before'] === null ? $this->blank($type) : $after;
                foreach ($fields as $name => [$field]) {
                    if (array_key_exists($field, $change['after'] ?? [])) {
                        $after[$name] = $change['after'][$field];
                    }
                    if (array_key_exists($field, $change['before'] ?? [])) {
                        $before[$name] = $change['before'][$field];
                    }
                    unset($change['before'][$field], $change['after'][$field]);
                }
                $after = $change['after'] === null ? $this->blank($type) : $after;
                $state[$change['id']][$type] = $before;
                if ($before !== $after) {
                    $is = [$before === $this->blank($type) ? null : $before, $after === $this->blank($type) ? null : $after];
                    if ($is[0] !== null && $is[1] !== null) {
                        $is = [array_diff_assoc($is[0], $is[1]), array_diff_assoc($is[1], $is[0])];
                    }
                    $rows[] = ['type' => $type, 'id' => $change['id'], 'before' => $is[0], 'after' => $is[1]];
                }
            }
            if ($change['before'] !== [] || $change['after'] !== [] || ($change['patches'] ?? []) !== []) {
                $raised[] = $change;
            }
        }

        return [...$raised, ...$rows];
    }

    /**
     * Gives back to the changes of topics what rows say.
     *
     * @param  list<array<string, mixed>>  $changes
     * @return list<array<string, mixed>>
     */
    private function lowered(array $changes): array
    {
        $lowered = $rows = [];
        foreach ($changes as $change) {
            isset(self::MOVED[$change['type']]) ? $rows[] = $change : $lowered[] = $change;
        }
        foreach ($rows as $row) {
            $found = array_keys(array_filter($lowered, fn (array $change): bool => $change['type'] === 'topic' && $change['id'] === $row['id']));
            $at = $found[0] ?? count($lowered);
            $lowered[$at] ??= ['type' => 'topic', 'id' => $row['id'], 'before' => [], 'after' => []];
            foreach (self::MOVED[$row['type']] as $name => [$field, , $blank]) {
                foreach (['before', 'after'] as $side) {
                    if ($lowered[$at][$side] !== null && ($row[$side] === null || array_key_exists($name, $row[$side]))) {
                        $lowered[$at][$side][$field] = $row[$side][$name] ?? $blank;
                    }
                }
            }
        }
        foreach ($lowered as $at => $change) {
            foreach (['before', 'after'] as $side) {
                // Of a topic that comes or goes a change has all fields.
                if ($change['type'] === 'topic' && ($change['before'] === null || $change['after'] === null) && $change[$side] !== null) {
                    foreach (self::MOVED as $fields) {
                        foreach ($fields as [$field, , $blank]) {
                            $lowered[$at][$side][$field] ??= $blank;
                        }
                    }
                }
            }
        }

        return $lowered;
    }
};
