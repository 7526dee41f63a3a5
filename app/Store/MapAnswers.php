<?php

declare(strict_types=1);

namespace App\Store;

use App\Limits\Alone;
use App\Models\MapRecord;
use App\Models\Person;
use App\Sharing\Standing;
use ChalkTree\Arrange\View;
use ChalkTree\Edit\Changes;
use ChalkTree\Edit\Recorder;
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
    /** A browser that is further behind than this gets the whole map again. */
    private const FARTHEST_BEHIND = 300;

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
        $drawn = $this->drawn->of($record, $view) ?? self::withoutCollecting(fn (): array => $this->draw($record, $view));
        if (! $this->memories->has($record, $whose = LayoutMemories::whose($person, $pane), $view)) {
            defer(fn () => $this->memories->keepRecords($record, $whose, $view, DrawnMaps::records($drawn)));
        }
        defer(fn () => $this->snapshots->prepare($record, $this->store));
        $own = [
            'id' => $record->id,
            'seq' => $record->seq,
            'view' => ['filter' => $look['filter'] === null ? null : array_diff_key($look['filter'], ['kept' => true])] + $look,
            'narrowed' => $look['filter'] === null ? null : self::withoutCollecting(fn (): ?array => Narrowing::of($map = $this->store->load($record), $look, $view->today)->told($map, $view)),
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

        $make = fn (bool $isFromTables): array => self::withoutCollecting(fn (): array => $this->made($record, $person, $since, $edits, $all, $look, $pane, $isFromTables));
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
            $missed = $since === $record->seq ? [] : $this->missed($record, $since);
            $seen = $missed === null ? null : ($missed === [] ? clone $map : $this->asOf($map, $missed));
            $missed = $seen === null ? null : $missed;
            $numbers = $seen === null || $view->showing ? null : Numbers::of($seen);
            $board = new SceneBoard($seen, $view, $missed === [] ? $held->memory($view) : null);
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
     * What is new since a number to all who see a map in one view, whoever they are.
     *
     * @param  string  $whose  as LayoutMemories names what is remembered of it
     * @return array<string, mixed> "MapNews" in the wire schema
     */
    public function told(MapRecord $record, View $view, string $whose, int $since): array
    {
        $tell = fn (bool $isFromTables): array => self::withoutCollecting(fn (): array => $this->toldFrom($record, $view, $whose, $since, $isFromTables));
        try {
            return $tell(false);
        } catch (PartLost) {
            return $tell(true);
        }
    }

    /**
     * @return array<string, mixed>
     *
     * @throws PartLost
     */
    private function toldFrom(MapRecord $record, View $view, string $whose, int $since, bool $isFromTables): array
    {
        [$news, $keep] = $this->database->transaction(function () use ($record, $view, $whose, $since, $isFromTables): array {
            $record = $this->locked($record);
            $then = (clone $record)->forceFill(['seq' => $since]);
            $held = new HeldMap($this->snapshots, $this->memories, $this->states, $this->store, $record, $whose, $isFromTables);
            $missed = $this->missed($record, $since);
            $seen = $missed === null ? null : $this->asOf($held->map, $missed);
            $missed = $seen === null ? null : $missed;
            $numbers = $seen === null || $view->showing ? null : Numbers::of($seen);
            $board = new SceneBoard($seen, $view, $missed === null ? null : $held->memory($view, $then));
            $scene = $board->news($held->map, $missed ?? []);

            return [[
                'since' => $since,
                'seq' => $record->seq,
                'rows' => $missed === null ? RowData::all($held->map) : RowData::changed($held->map, $missed),
                'scene' => $scene,
                'numbers' => ($now = Numbers::of($board->shown($held->map))) === $numbers ? null : (object) $now,
            ], fn () => $held->remember($view, $board->memory())];
        });
        $keep();

        return $news;
    }

    /**
     * Runs without looking for cycles: a large map makes many small objects and no cycles among them; looking for some
     * takes a fifth of the time.
     *
     * @template T
     *
     * @param  callable(): T  $work
     * @return T
     */
    private static function withoutCollecting(callable $work): mixed
    {
        $collects = gc_enabled();
        gc_disable();
        try {
            return $work();
        } finally {
            if ($collects) {
                gc_enable();
            }
        }
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

    /** @return list<Changes>|null what a browser at this number has not seen; null if that is too much or unknown */
    private function missed(MapRecord $record, int $since): ?array
    {
        return $since > $record->seq || $since < $record->seq - self::FARTHEST_BEHIND || $this->log->isWithinOne($record, $since) ? null : $this->log->since($record, $since);
    }

    /**
     * The map as it was before these changes; null where that can no longer be told, because what they took out has
     * been cleared from the trash since.
     *
     * @param  list<Changes>  $changes
     */
    private function asOf(TopicMap $map, array $changes): ?TopicMap
    {
        $before = clone $map;
        $recorder = new Recorder($before);
        try {
            foreach (array_reverse($changes) as $record) {
                $record->reversed()->applyTo($before, $recorder);
            }
        } catch (Refusal) {
            return null;
        }

        return $before;
    }
}
