<?php

declare(strict_types=1);

namespace App\Store;

use App\Limits\Alone;
use App\Models\MapRecord;
use App\Models\Person;
use App\Sharing\Standing;
use ChalkTree\Arrange\View;
use ChalkTree\Edit\Changes;
use ChalkTree\Map\TopicMap;
use ChalkTree\Number\Numbers;
use ChalkTree\Refusal;
use Illuminate\Database\Connection;

use function Illuminate\Support\defer;

/**
 * Answers the requests of a browser that has a map open: the whole of it, edits made on it, news of it.
 *
 * @phpstan-import-type Look from ViewStore
 * @phpstan-import-type Drawn from DrawnMaps
 */
final readonly class MapAnswers
{
    public function __construct(
        private Connection $database,
        private MapStore $store,
        private MapEditing $editing,
        private EditLog $log,
        private ViewStore $views,
        private LayoutMemories $memories,
        private Snapshots $snapshots,
        private MapStates $states,
        private DrawnMaps $drawn,
        private Alone $alone,
        private Standing $standing,
        private Behind $behind,
    ) {
    }

    /** Everything a browser needs to show the map, as JSON: "OpenAnswer" in the wire schema. */
    public function open(MapRecord $record, Person $person, string $pane = 'first'): string
    {
        $look = $this->views->of($record, $person, $pane);
        if ($look['showing']) {
            // A page that is opened shows nothing to anybody yet.
            $this->views->save($record, $person, $look = ['showing' => false] + $look, $pane);
        }
        $view = ViewStore::view($look, $person);
        $drawn = $this->drawn->of($record, $view) ?? Collecting::without(fn (): array => $this->draw($record, $view));
        if (! $this->memories->has($record, $whose = LayoutMemories::whose($person, $pane), $view)) {
            defer(fn () => $this->memories->keepRecords($record, $whose, $view, DrawnMaps::records($drawn)));
        }
        defer(fn () => $this->snapshots->prepare($record, $this->store));
        $own = [
            'id' => $record->id,
            'seq' => $record->seq,
            'view' => ['filter' => $look['filter'] === null ? null : array_diff_key($look['filter'], ['kept' => true])] + $look,
            'narrowed' => $look['filter'] === null ? null : Collecting::without(fn (): ?array => Narrowing::of($map = $this->store->load($record), $look, $view->today)->told($map, $view)),
            'today' => $view->today,
            'place' => $this->views->place($record, $person, $pane),
            ...$this->standing->opened($record, $person),
            ...$this->log->next($record, $person),
        ];

        return substr(self::json($own), 0, -1).",\"rows\":{$drawn['rows']},\"scene\":{$drawn['scene']},\"numbers\":{$drawn['numbers']}}";
    }

    /** @return Drawn */
    private function draw(MapRecord $record, View $view): array
    {
        $map = $this->store->load($record);
        $board = new SceneBoard(null, $view);
        $scene = $board->news($map, []);
        $rows = RowData::all($map);
        $drawn = ['rows' => self::json($rows), 'scene' => self::json($scene), 'numbers' => self::json((object) Numbers::of($map)), 'memory' => serialize($board->memory()?->changed() ?? [])];
        $this->drawn->keep($record, $view, $drawn, count($rows));

        return $drawn;
    }

    private static function json(mixed $data): string
    {
        return json_encode($data, JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR);
    }

    /**
     * What is new since a number. Where that is nothing, which is nearly always, neither is the map read nor does
     * anybody wait.
     *
     * @return array<string, mixed> "EditsAnswer" in the wire schema
     */
    public function news(MapRecord $record, Person $person, int $since, string $pane = 'first'): array
    {
        if ($since !== $record->seq) {
            return $this->edit($record, $person, $since, [], pane: $pane);
        }

        return [
            'seq' => $record->seq,
            'edits' => [],
            'rows' => [],
            'scene' => ['reset' => false, 'arrangement' => $record->arrangement, 'slips' => [], 'gone' => [], 'marks' => [], 'goneMarks' => [], 'looks' => [], 'levels' => [], 'chalks' => []],
            'numbers' => null,
            'today' => $person->today(),
            ...$this->standing->told($record, $person),
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
        $edits = $this->prepared($record, $person, $bodies, $all);

        $make = fn (bool $isFromTables): array => Collecting::without(fn (): array => $this->made($record, $person, $since, $edits, $all, $look, $pane, $isFromTables));
        try {
            return $make(false);
        } catch (PartLost) {
            return $make(true);
        }
    }

    /**
     * @param  list<array{string|null, EditBody|Refusal}>  $edits
     * @param  Look|null  $look
     * @return array<string, mixed>
     *
     * @throws PartLost having changed nothing
     */
    private function made(MapRecord $record, Person $person, int $since, array $edits, bool $all, ?array $look, string $pane, bool $isFromTables): array
    {
        [$answer, $keep] = $this->database->transaction(function () use ($record, $person, $since, $edits, $all, $look, $pane, $isFromTables): array {
            $record = $this->locked($record);
            $held = new HeldMap($this->snapshots, $this->memories, $this->states, $this->store, $record, LayoutMemories::whose($person, $pane), $isFromTables);
            $map = $held->map;
            $before = $this->views->of($record, $person, $pane);
            $view = ViewStore::view($before, $person);
            $missed = $since === $record->seq ? [] : $this->behind->missed($record, $since);
            $seen = $missed === null ? null : ($missed === [] ? clone $map : Behind::asOf($map, $missed));
            $missed = $seen === null ? null : $missed;
            $numbers = $seen === null || $view->showing ? null : Numbers::of($seen);
            $board = new SceneBoard($seen, $view, $missed === null ? null : $held->memory($view, $since));
            $changes = $missed ?? [];
            $made = [];
            $outcomes = [];
            foreach ($edits as $edit) {
                [$outcome, $change] = $this->one($record, $map, $person, $edit, $all);
                $outcomes[] = $outcome;
                if ($change !== null) {
                    $changes[] = $made[] = $change;
                }
            }
            $refolded = [];
            if ($look !== null) {
                $refolded = [...array_diff($look['folded'], array_keys($view->folded)), ...array_diff(array_keys($view->folded), $look['folded'])];
                $view = ViewStore::view($look, $person);
            }

            $after = Narrowing::keeping($map, $before, $look ?? $before, $made);
            if ($look !== null || $after !== $before) {
                $this->views->save($record, $person, $after, $pane);
            }

            $scene = $board->news($map, $changes, $view, array_values($refolded));
            $keep = $changes !== [] || $refolded !== [] || $scene['reset'] ? fn () => $held->keep($made, $view, $board->memory()) : null;

            return [[
                'seq' => $record->seq,
                'edits' => $outcomes,
                'rows' => $missed === null ? RowData::all($map) : RowData::changed($map, $changes),
                'scene' => $scene,
                'narrowed' => Narrowing::of($map, $after, $view->today)->told($map, $view),
                'numbers' => ($now = Numbers::of($board->shown($map))) === $numbers ? null : (object) $now,
                'today' => $view->today,
                ...$this->standing->told($record, $person),
                ...$this->log->next($record, $person),
            ], $keep];
        });
        // Not before it is in the database: nobody may find there what then was not kept.
        $keep === null ?: $keep();

        return $answer;
    }

    /**
     * Reads edits, and does what some have to do before the map is held.
     *
     * @param  list<mixed>  $bodies
     * @return list<array{string|null, EditBody|Refusal}> with the id that the sender gave
     *
     * @throws Refusal where all are wanted and one cannot be
     */
    private function prepared(MapRecord $record, Person $person, array $bodies, bool $all): array
    {
        $edits = [];
        foreach ($bodies as $body) {
            try {
                $edit = EditBody::read($body);
                if ($edit->isPrepared()) {
                    $this->alone->run('patterns', $person, fn () => $edit->prepare($this->store->load($record)));
                }
            } catch (Refusal $edit) {
                if ($all) {
                    throw $edit;
                }
            }
            $edits[] = [is_array($body) && is_string($body['id'] ?? null) ? $body['id'] : null, $edit];
        }

        return $edits;
    }

    /** The record as it is now, held until the transaction ends, so that edits of one map come one after the other. */
    private function locked(MapRecord $record): MapRecord
    {
        MapRecord::query()->whereKey($record->id)->lockForUpdate()->value('id');

        return $record->refresh();
    }

    /**
     * @param  array{string|null, EditBody|Refusal}  $edit
     * @return array{array<string, mixed>, Changes|null}
     */
    private function one(MapRecord $record, TopicMap $map, Person $person, array $edit, bool $all): array
    {
        [$id, $edit] = $edit;
        try {
            if ($edit instanceof Refusal) {
                throw $edit;
            }
            $changes = $this->editing->make($record, $map, $person, $edit);

            return [['id' => $edit->id, 'status' => $changes === null ? 'repeated' : 'done'] + ($edit->keptBoth() ? ['both' => true] : []), $changes];
        } catch (Refusal $refusal) {
            if ($all) {
                throw $refusal;
            }
            $why = ['code' => $refusal->reason(), 'message' => $refusal->getMessage(), 'field' => $refusal->field];

            return [['id' => $id, 'status' => 'refused', 'refusal' => $why], null];
        }
    }
}
