<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\MapRecord;
use App\Models\Person;
use ChalkTree\Arrange\View;
use ChalkTree\Edit\Change;
use ChalkTree\Edit\Changes;
use ChalkTree\Edit\Recorder;
use ChalkTree\Map\Row;
use ChalkTree\Map\TopicMap;
use ChalkTree\Refusal;
use Illuminate\Database\Connection;

/** Answers the requests of a browser that has a map open: the whole of it, edits made on it, news of it. */
final readonly class MapAnswers
{
    /** A browser that is further behind than this gets the whole map again. */
    private const FARTHEST_BEHIND = 300;

    public function __construct(
        private Connection $database,
        private MapStore $store,
        private MapEditing $editing,
        private EditLog $log,
        private ViewStore $views,
    ) {
    }

    /** @return array<string, mixed> everything a browser needs to show the map; "OpenAnswer" in the wire schema */
    public function open(MapRecord $record, Person $person): array
    {
        $this->withoutCollecting();
        $map = $this->store->load($record);
        $view = $this->views->of($record, $person);

        return [
            'id' => $record->id,
            'seq' => $record->seq,
            'rows' => $this->allRows($map),
            'view' => $view,
            'scene' => (new SceneBoard(null, View::folding($view['folded'])))->news($map, []),
            ...$this->log->next($record, $person),
        ];
    }

    /**
     * Makes edits, in one transaction, and tells what is new since a number. Each edit is made or refused on its own,
     * unless all of them are wanted or none.
     *
     * @param  list<mixed>  $bodies
     * @param  array{folded: list<string>, outlineFolded: list<string>, chosen: string|null}|null  $look  the view to keep from now on
     * @return array<string, mixed> "EditsAnswer" in the wire schema
     *
     * @throws Refusal where all are wanted and one cannot be
     */
    public function edit(MapRecord $record, Person $person, int $since, array $bodies, bool $all = false, ?array $look = null): array
    {
        $this->withoutCollecting();

        return $this->database->transaction(function () use ($record, $person, $since, $bodies, $all, $look): array {
            $record = $this->locked($record);
            $map = $this->store->load($record);
            $view = $this->views->board($record, $person);
            $missed = $since === $record->seq ? [] : $this->missed($record, $since);
            $board = new SceneBoard($missed === null ? null : $this->asOf($map, $missed), $view);
            $changes = $missed ?? [];
            $outcomes = [];
            foreach ($bodies as $body) {
                [$outcome, $made] = $this->one($record, $map, $person, $body, $all);
                $outcomes[] = $outcome;
                if ($made !== null) {
                    $changes[] = $made;
                }
            }
            $refolded = [];
            if ($look !== null) {
                $this->views->save($record, $person, $look);
                $refolded = [...array_diff($look['folded'], array_keys($view->folded)), ...array_diff(array_keys($view->folded), $look['folded'])];
                $view = View::folding($look['folded']);
            }

            return [
                'seq' => $record->seq,
                'edits' => $outcomes,
                'rows' => $missed === null ? $this->allRows($map) : $this->changedRows($map, $changes),
                'scene' => $board->news($map, $changes, $view, array_values($refolded)),
                ...$this->log->next($record, $person),
            ];
        });
    }

    /** A large map makes many small objects and no cycles among them; looking for some takes a fifth of the time. */
    private function withoutCollecting(): void
    {
        gc_disable();
    }

    /** The record as it is now, held until the transaction ends, so that edits of one map come one after the other. */
    private function locked(MapRecord $record): MapRecord
    {
        MapRecord::query()->whereKey($record->id)->lockForUpdate()->value('id');

        return $record->refresh();
    }

    /** @return array{array<string, mixed>, Changes|null} */
    private function one(MapRecord $record, TopicMap $map, Person $person, mixed $body, bool $all): array
    {
        $id = is_array($body) && is_string($body['id'] ?? null) ? $body['id'] : null;
        try {
            $edit = EditBody::read($body);
            $changes = $this->editing->make($record, $map, $person, $edit);

            return [['id' => $edit->id, 'status' => $changes === null ? 'repeated' : 'done'], $changes];
        } catch (Refusal $refusal) {
            if ($all) {
                throw $refusal;
            }
            $why = ['code' => $refusal->reason(), 'message' => $refusal->getMessage(), 'field' => $refusal->field];

            return [['id' => $id, 'status' => 'refused', 'refusal' => $why], null];
        }
    }

    /** @return list<Changes>|null what a browser at this number has not seen; null if that is too much or unknown */
    private function missed(MapRecord $record, int $since): ?array
    {
        return $since > $record->seq || $since < $record->seq - self::FARTHEST_BEHIND ? null : $this->log->since($record, $since);
    }

    /**
     * The map as it was before these changes.
     *
     * @param  list<Changes>  $changes
     */
    private function asOf(TopicMap $map, array $changes): TopicMap
    {
        $before = clone $map;
        $recorder = new Recorder($before);
        foreach (array_reverse($changes) as $record) {
            $record->reversed()->applyTo($before, $recorder);
        }

        return $before;
    }

    /** @return list<array{type: string, id: string, fields: array<string, scalar|null>|null}> */
    private function allRows(TopicMap $map): array
    {
        $rows = [['type' => 'map', 'id' => $map->sheet()->id(), 'fields' => $map->sheet()->fields()]];
        foreach ($map->all() as $topic) {
            $rows[] = $this->row($topic, null);
        }

        return $rows;
    }

    /**
     * The fields that differ, as they are now. A row that is gone, or in the trash, has none.
     *
     * @param  list<Changes>  $changes
     * @return list<array{type: string, id: string, fields: array<string, scalar|null>|null}>
     */
    private function changedRows(TopicMap $map, array $changes): array
    {
        $fields = [];
        foreach ($changes as $record) {
            foreach ($record->all as $change) {
                $key = "{$change->type} {$change->id}";
                $fields[$key] = ['change' => $change, 'names' => ($fields[$key]['names'] ?? []) + ($this->isWhole($change) ? ['*' => 1] : ($change->after ?? ['*' => 1]))];
            }
        }
        $rows = [];
        foreach ($fields as ['change' => $change, 'names' => $names]) {
            $row = $map->row($change->type, $change->id);
            $there = $row !== null && ($row->fields()['removed'] ?? null) === null;
            $rows[] = $there ? $this->row($row, isset($names['*']) ? null : $names) : ['type' => $change->type, 'id' => $change->id, 'fields' => null];
        }

        return $rows;
    }

    /** Whether the other side may not have the row at all, so that it needs every field. */
    private function isWhole(Change $change): bool
    {
        return $change->before === null || array_key_exists('removed', $change->before);
    }

    /**
     * @param  array<string, mixed>|null  $names
     * @return array{type: string, id: string, fields: array<string, scalar|null>}
     */
    private function row(Row $row, ?array $names): array
    {
        $fields = $row->fields();
        unset($fields['removed']);

        return ['type' => $row::type(), 'id' => $row->id(), 'fields' => $names === null ? $fields : array_intersect_key($fields, $names)];
    }
}
