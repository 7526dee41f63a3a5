<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\MapRecord;
use App\Models\Person;
use ChalkTree\Edit\Change;
use ChalkTree\Edit\Changes;
use ChalkTree\Edit\Recorder;
use ChalkTree\Map\Numbers;
use ChalkTree\Map\Row;
use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;
use ChalkTree\Refusal;
use Illuminate\Database\Connection;

/**
 * Answers the requests of a browser that has a map open: the whole of it, edits made on it, news of it.
 *
 * @phpstan-import-type Look from ViewStore
 */
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
        private LayoutMemories $memories,
    ) {
    }

    /** @return array<string, mixed> everything a browser needs to show the map; "OpenAnswer" in the wire schema */
    public function open(MapRecord $record, Person $person, string $pane = 'first'): array
    {
        $this->withoutCollecting();
        $map = $this->store->load($record);
        $view = $this->views->of($record, $person, $pane);
        $board = new SceneBoard(null, ViewStore::view($view));
        $scene = $board->news($map, []);
        $this->memories->keep($record, $person, $pane, ViewStore::view($view), $board->memory());

        return [
            'id' => $record->id,
            'seq' => $record->seq,
            'rows' => $this->allRows($map),
            'view' => $view,
            'scene' => $scene,
            'numbers' => (object) Numbers::of($map),
            ...$this->log->next($record, $person),
        ];
    }

    /**
     * Makes edits, in one transaction, and tells what is new since a number. Each edit is made or refused on its own,
     * unless all of them are wanted or none.
     *
     * @param  list<mixed>  $bodies
     * @param  Look|null  $look  the view to keep from now on
     * @param  string  $pane  which of the two views asks
     * @return array<string, mixed> "EditsAnswer" in the wire schema
     *
     * @throws Refusal where all are wanted and one cannot be
     */
    public function edit(MapRecord $record, Person $person, int $since, array $bodies, bool $all = false, ?array $look = null, string $pane = 'first'): array
    {
        $this->withoutCollecting();

        return $this->database->transaction(function () use ($record, $person, $since, $bodies, $all, $look, $pane): array {
            $record = $this->locked($record);
            $map = $this->store->load($record);
            $view = $this->views->board($record, $person, $pane);
            $missed = $since === $record->seq ? [] : $this->missed($record, $since);
            $seen = $missed === null ? null : ($missed === [] ? clone $map : $this->asOf($map, $missed));
            $numbers = $seen === null ? null : Numbers::of($seen);
            $board = new SceneBoard($seen, $view, $missed === [] ? $this->memories->of($record, $person, $pane, $view) : null);
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
                $this->views->save($record, $person, $look, $pane);
                $refolded = [...array_diff($look['folded'], array_keys($view->folded)), ...array_diff(array_keys($view->folded), $look['folded'])];
                $view = ViewStore::view($look);
            }

            $scene = $board->news($map, $changes, $view, array_values($refolded));
            if ($changes !== [] || $refolded !== [] || $scene['reset']) {
                $this->memories->keep($record, $person, $pane, $view, $board->memory());
            }

            return [
                'seq' => $record->seq,
                'edits' => $outcomes,
                'rows' => $missed === null ? $this->allRows($map) : $this->changedRows($map, $changes),
                'scene' => $scene,
                'numbers' => ($now = Numbers::of($map)) === $numbers ? null : (object) $now,
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

    /** @return list<array{type: string, id: string, fields: array<string, scalar|null>|null, whole?: true}> */
    private function allRows(TopicMap $map): array
    {
        $rows = [['type' => 'map', 'id' => $map->sheet()->id(), 'fields' => $map->sheet()->fields()]];
        foreach ($map->everything() as $topic) {
            $rows[] = $this->row($topic, null);
        }

        return $rows;
    }

    /**
     * The fields that differ, as they are now. A row that is gone, or in the trash, has none.
     *
     * @param  list<Changes>  $changes
     * @return list<array{type: string, id: string, fields: array<string, scalar|null>|null, whole?: true}>
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
     * @param  array<string, mixed>|null  $names  null for a row that the other side may not have: then all that it says, and "whole"
     * @return array{type: string, id: string, fields: array<string, scalar|null>, whole?: true}
     */
    private function row(Row $row, ?array $names): array
    {
        $base = ['type' => $row::type(), 'id' => $row->id()];
        if ($names === null) {
            return [...$base, 'fields' => $row instanceof Topic ? $row->saying() : $row->fields(), 'whole' => true];
        }

        return [...$base, 'fields' => array_diff_key(array_intersect_key($row->fields(), $names), ['removed' => 1])];
    }
}
