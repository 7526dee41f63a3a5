<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\MapRecord;
use ChalkTree\Arrange\View;
use ChalkTree\Edit\Change;
use ChalkTree\Edit\Changes;
use ChalkTree\HandOver\NothingLeaves;
use ChalkTree\HandOver\Outgoing;
use ChalkTree\Map\TopicMap;
use ChalkTree\Number\Numbers;
use Illuminate\Database\Connection;

/**
 * What is new in a map to those who see it in one view or another, whoever they are: those who work in it are told of all of
 * it, those who only look of what may leave it. What that takes is done once for all of them. What is remembered of a view
 * lies under the name that LayoutMemories has for whose it is.
 *
 * @phpstan-type Asked array{view: View, whose: string, since: int, isCut: bool}
 */
final readonly class ViewNews
{
    private const TRIES = 4;

    public function __construct(private Connection $database, private MapStore $store, private LayoutMemories $memories, private Snapshots $snapshots, private Behind $behind)
    {
    }

    /**
     * @param  array<string, Asked>  $asked  all cut, or none
     * @return array<string, array<string, mixed>|null> "MapNews" in the wire schema, under the same keys; null where nothing may be told
     */
    public function of(MapRecord $record, array $asked): array
    {
        $isCut = array_filter(array_column($asked, 'isCut')) !== [];

        return Collecting::without(fn (): array => ($isCut ? $this->beside($record, $asked) : null) ?? $this->held($record, $asked));
    }

    /**
     * What may leave a large map takes a while to tell, for which nobody who edits is to wait: the map is read beside them.
     *
     * @param  array<string, Asked>  $asked
     * @return array<string, array<string, mixed>|null>|null null where it was edited meanwhile again and again
     */
    private function beside(MapRecord $record, array $asked): ?array
    {
        for ($try = 0; $try < self::TRIES; $try++) {
            $record->refresh();
            $map = $this->store->load($record);
            $map->rows();
            $missed = array_map(fn (array $one): ?array => $this->behind->missed($record, $one['since']), $asked);
            if (MapRecord::query()->whereKey($record->id)->value('seq') === $record->seq) {
                return $this->all($record, $map, $asked, $missed);
            }
        }

        return null;
    }

    /**
     * @param  array<string, Asked>  $asked
     * @return array<string, array<string, mixed>|null>
     */
    private function held(MapRecord $record, array $asked): array
    {
        $tell = fn (bool $isFromTables): array => $this->database->transaction(function () use ($record, $asked, $isFromTables): array {
            // Held, so that the map is that of the number.
            MapRecord::query()->whereKey($record->id)->lockForUpdate()->value('id');
            $record->refresh();
            $map = ($isFromTables ? null : $this->snapshots->load($record)) ?? $this->store->load($record);

            return $this->all($record, $map, $asked, array_map(fn (array $one): ?array => $this->behind->missed($record, $one['since']), $asked));
        });
        try {
            return $tell(false);
        } catch (PartLost) {
            return $tell(true);
        }
    }

    /**
     * @param  array<string, Asked>  $asked
     * @param  array<string, list<Changes>|null>  $missed  what each has not seen
     * @return array<string, array<string, mixed>|null>
     *
     * @throws PartLost
     */
    private function all(MapRecord $record, TopicMap $map, array $asked, array $missed): array
    {
        /** @var array<string, array{TopicMap|null, TopicMap|null, list<Changes>|null}> $known as it was, as it is, and what changed; by number and by whether it is cut */
        $known = [];
        $news = [];
        foreach ($asked as $key => ['view' => $view, 'whose' => $whose, 'since' => $since, 'isCut' => $isCut]) {
            [$seen, $now, $changes] = $known["{$since} {$isCut}"] ??= self::between($map, $missed[$key], $isCut);
            if ($now === null) {
                $news[$key] = null;

                continue;
            }
            $then = (clone $record)->forceFill(['seq' => $since]);
            $memory = $seen === null ? null : $this->memories->of($then, $whose, $view);
            $board = new SceneBoard($seen, $view, $memory);
            $numbers = $seen === null || $view->showing ? null : Numbers::of($seen);
            $news[$key] = [
                'since' => $since,
                'seq' => $record->seq,
                'rows' => $changes === null ? RowData::all($now) : RowData::changed($now, $changes),
                'scene' => $board->news($now, $changes ?? []),
                'numbers' => ($after = Numbers::of($board->shown($now))) === $numbers ? null : (object) $after,
            ];
            if ($memory !== null && $memory === $board->memory()) {
                $this->memories->follow($record, $whose, $this->memories->key($then, $view), $view, $memory);
            } else {
                $this->memories->keep($record, $whose, $view, $board->memory());
            }
        }

        return $news;
    }

    /**
     * @param  list<Changes>|null  $missed
     * @return array{TopicMap|null, TopicMap|null, list<Changes>|null}
     */
    private static function between(TopicMap $map, ?array $missed, bool $isCut): array
    {
        $seen = $missed === null ? null : Behind::asOf($map, $missed);
        if (! $isCut) {
            return [$seen, $map, $seen === null ? null : $missed];
        }
        [$seen, $now] = [$seen === null ? null : self::cut($seen), self::cut($map)];

        return [$seen, $now, $seen === null || $now === null ? null : [self::difference($seen, $now)]];
    }

    private static function cut(TopicMap $map): ?TopicMap
    {
        try {
            return Outgoing::of($map);
        } catch (NothingLeaves) {
            return null;
        }
    }

    /** What is otherwise in what may leave a map: what becomes private goes, and comes as something new when it is so no longer. */
    private static function difference(TopicMap $seen, TopicMap $now): Changes
    {
        $changes = [];
        foreach ($seen->rows() + $now->rows() as $type => $_) {
            [$before, $after] = [$seen->rows()[$type] ?? [], $now->rows()[$type] ?? []];
            foreach ($before + $after as $id => $_) {
                $change = ($before[$id] ?? null) == ($after[$id] ?? null) ? null : Change::between($type, (string) $id, $before[$id] ?? null, $after[$id] ?? null);
                if ($change !== null) {
                    $changes[] = $change;
                }
            }
        }

        return new Changes($changes);
    }
}
