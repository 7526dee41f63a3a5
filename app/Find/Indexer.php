<?php

declare(strict_types=1);

namespace App\Find;

use App\Models\MapRecord;
use App\Models\Person;
use App\Sharing\Access;
use App\Store\EditLog;
use App\Store\MapStore;
use ChalkTree\Features;
use ChalkTree\Map\RowTypes;
use ChalkTree\Map\Sheet;
use ChalkTree\Map\Topic;
use Illuminate\Database\Connection;
use Illuminate\Database\Eloquent\Builder;

/**
 * Brings what is known across maps up to date when it is asked for, from the log of edits, so that editing never waits
 * for it.
 */
final readonly class Indexer
{
    /** After more edits than this a map is read anew. */
    private const MOST_EDITS = 200;

    /** @var list<Index> */
    private array $indexes;

    public function __construct(private Connection $database, private EditLog $log, private MapStore $store, private Access $access, WordIndex $words, FactIndex $facts)
    {
        $this->indexes = [$words, $facts];
    }

    /**
     * Takes in what changed in a person's maps since they were indexed last.
     *
     * @param  float  $seconds  stop after so long; the rest is taken in next time
     * @param  string|null  $first  the map that matters most
     */
    public function catchUp(Person $person, float $seconds = INF, ?string $first = null): void
    {
        $end = microtime(true) + $seconds;
        $stale = MapRecord::query()->where($this->access->workable($person))->whereNull('trashed_at')
            ->where(fn (Builder $query) => $query->whereNull('indexed_seq')->orWhereColumn('indexed_seq', '<>', 'seq'))->orderByDesc('updated_at')->pluck('id');
        foreach ($stale->sortBy(fn (mixed $id): int => $id === $first ? 0 : 1) as $id) {
            if (microtime(true) > $end) {
                return;
            }
            $this->database->transaction(function () use ($person, $id): void {
                $map = $person->map((string) $id, held: true);
                if ($map !== null) {
                    $this->update($map);
                }
            });
        }
    }

    private function update(MapRecord $map): void
    {
        $isKnown = $map->indexed_seq !== null && $map->seq >= $map->indexed_seq && $map->seq - $map->indexed_seq <= self::MOST_EDITS;
        $topics = $isKnown ? $this->changed($map, (int) $map->indexed_seq) : null;
        foreach ($this->indexes as $index) {
            $index->take($map, $topics);
        }
        MapRecord::query()->whereKey($map->id)->update(['indexed_seq' => $map->seq]);
    }

    /** @return list<string> the ids of topics of which something may be said otherwise now */
    private function changed(MapRecord $map, int $since): array
    {
        $ids = [];
        foreach ($this->log->since($map, $since) as $record) {
            foreach ($record->all as $change) {
                $fields = ($change->before ?? []) + ($change->after ?? []);
                if ($change->type === Topic::type() && ($change->before === null || $change->after === null || array_intersect($change->names(), ['title', 'caption', 'note', 'removed']) !== [])) {
                    $ids[] = $change->id;
                } elseif ($change->type !== Topic::type() && $change->type !== Sheet::type()) {
                    array_push($ids, ...($this->store->featureRow($map->id, $change->type, $change->id)?->topics() ?? RowTypes::make($change->type, $change->id, $fields)->topics()));
                }
            }
        }

        // A row about several topics comes and goes with each of them, so of the others something may be said otherwise too.
        $several = array_values(array_filter(Features::rows(), fn (string $class): bool => $class::ends() !== []));
        foreach ($several === [] ? [] : $this->store->rowsAbout($map->id, $several, $ids) as $row) {
            array_push($ids, ...$row->topics());
        }

        return array_values(array_unique($ids));
    }
}
