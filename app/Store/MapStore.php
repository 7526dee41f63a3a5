<?php

declare(strict_types=1);

namespace App\Store;

use App\Files\Admission;
use App\Models\Comment;
use App\Models\MapRecord;
use App\Models\Person;
use App\Models\RowRecord;
use App\Models\TopicRecord;
use Carbon\CarbonImmutable;
use ChalkTree\Edit\Change;
use ChalkTree\Edit\Changes;
use ChalkTree\Features;
use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\Ids;
use ChalkTree\Map\Row;
use ChalkTree\Map\RowTypes;
use ChalkTree\Map\Sheet;
use ChalkTree\Map\Side;
use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;
use Closure;
use Illuminate\Database\Connection;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Query\Builder as BaseQuery;
use PDO;
use stdClass;

/** Brings maps from the database into memory, and what was recorded of their edits back. */
final readonly class MapStore
{
    /** Rows in one insert; SQLite and PostgreSQL bound the parameters of a statement. */
    private const CHUNK = 400;

    public function __construct(private Connection $database, private Admission $admission)
    {
    }

    public function load(MapRecord $record): TopicMap
    {
        $map = new TopicMap([new Sheet($record->title, $record->root, $record->arrangement)]);
        // Straight from PDO: ten thousand rows as objects of the query builder would take three times as long.
        $rows = $this->database->getPdo()->prepare('select id, parent, rank, title, caption, note, side, side_held, removed, changed from topics where map_id = ?');
        $rows->execute([$record->id]);
        $rows->setFetchMode(PDO::FETCH_NUM);
        $map->fill((function () use ($rows): iterable {
            foreach ($rows as [$id, $parent, $rank, $title, $caption, $note, $side, $held, $removed, $changed]) {
                yield new Topic(
                    $id, $parent, $rank, $title, $caption, $note,
                    $side === null ? null : Side::from($side), (bool) $held, $removed, changed: (int) $changed,
                );
            }
        })());
        $this->loadRarities($record, $map);
        $map->lendRows($this->lent($record->id));

        return $map;
    }

    /**
     * What features keep of a map; sorts that this version does not know rest where they are.
     *
     * @param  list<class-string<FeatureRow>>|null  $classes  of these sorts only
     * @param  list<string>|null  $ids  only these rows
     * @return iterable<FeatureRow>
     */
    public function featureRows(string $map, ?array $classes = null, ?array $ids = null): iterable
    {
        $types = array_map(fn (string $class): string => $class::type(), $classes ?? Features::rows());
        if ($types !== []) {
            // There may be as many of these as topics, so none becomes a model.
            foreach ($this->kept($map)->toBase()->whereIn('type', $types)->when($ids !== null, fn (BaseQuery $rows) => $rows->whereIn('id', $ids ?? []))->get(['type', 'id', 'fields']) as $row) {
                yield $this->decoded($row);
            }
        }
    }

    /**
     * What features keep, as it is now, by sort and id, each row decoded when it is asked for.
     *
     * @return Closure(string): array<string, string>
     */
    private function lent(string $map): Closure
    {
        $written = [];
        // There may be as many of these as topics, so none becomes a model.
        foreach ($this->kept($map)->toBase()->get(['type', 'id', 'fields']) as $row) {
            $written[(string) $row->type][(string) $row->id] = (string) $row->fields;
        }

        return fn (string $type): array => $written[$type] ?? [];
    }

    /**
     * The rows of features about some topics, of which all topics are in the map and none is in its trash.
     *
     * @param  list<class-string<FeatureRow>>  $classes  of these sorts
     * @param  list<string>|null  $topics  null for all
     * @return list<FeatureRow>
     */
    public function livingRows(string $map, array $classes, ?array $topics = null): array
    {
        $rows = $this->rowsAbout($map, $classes, $topics);
        $there = [];
        foreach (array_chunk(array_unique(array_merge(...array_map(fn (FeatureRow $row): array => $row->topics(), $rows))), self::CHUNK) as $ids) {
            $there += array_flip(TopicRecord::query()->toBase()->where('map_id', $map)->whereNull('removed')->whereIn('id', $ids)->pluck('id')->all());
        }

        return array_values(array_filter($rows, fn (FeatureRow $row): bool => array_diff_key(array_flip($row->topics()), $there) === []));
    }

    /**
     * The same, whether their topics are in the trash or not.
     *
     * @param  list<class-string<FeatureRow>>  $classes
     * @param  list<string>|null  $topics
     * @return list<FeatureRow>
     */
    public function rowsAbout(string $map, array $classes, ?array $topics): array
    {
        $wanted = $topics === null ? null : array_flip($topics);
        $rows = [];
        foreach ($classes as $class) {
            // Where there is one row a topic it has the topic's id; all others have to be looked at.
            foreach ($topics === null || ! $class::isOfTopic() ? [null] : array_chunk($topics, self::CHUNK) as $ids) {
                foreach ($this->featureRows($map, [$class], $ids) as $row) {
                    if ($wanted === null || array_intersect_key(array_flip($row->topics()), $wanted) !== []) {
                        $rows[] = $row;
                    }
                }
            }
        }

        return $rows;
    }

    public function featureRow(string $map, string $type, string $id): ?FeatureRow
    {
        $row = $this->kept($map)->where('type', $type)->where('id', $id)->toBase()->first(['type', 'id', 'fields']);

        return $row instanceof stdClass ? $this->decoded($row) : null;
    }

    /** @return Builder<RowRecord> */
    private function kept(string $map): Builder
    {
        return RowRecord::query()->where('map_id', $map);
    }

    private function decoded(stdClass $row): FeatureRow
    {
        /** @var array<string, scalar|null> $fields */
        $fields = json_decode((string) $row->fields, true, 4, JSON_THROW_ON_ERROR);

        return RowTypes::ofFeature((string) $row->type)::fromFields((string) $row->id, $fields);
    }

    /**
     * Takes for good what lies in the trash of a map, and what features keep of it.
     *
     * @param  int|null  $before  only what was removed before this time, in seconds since 1970
     * @return int how many topics
     */
    public function clear(MapRecord $record, ?int $before = null): int
    {
        return $this->database->transaction(function () use ($record, $before): int {
            // Counted first, which holds the map: nobody may edit it meanwhile as it was.
            MapRecord::query()->whereKey($record->id)->increment('cleared');
            $count = TopicRecord::query()->toBase()->where('map_id', $record->id)->whereNotNull('removed')
                ->when($before !== null, fn (BaseQuery $topics) => $topics->where('changed', '>', 0)->where('changed', '<', $before))
                ->delete();
            $this->sweep($record);
            Comment::query()->where('map_id', $record->id)->whereNotExists(fn (BaseQuery $topics) => $topics->from('topics')->whereColumn('topics.map_id', 'comments.map_id')->whereColumn('topics.id', 'comments.topic_id'))->delete();

            return $count;
        });
    }

    private function sweep(MapRecord $record): void
    {
        if (! $this->kept($record->id)->exists()) {
            return;
        }
        $map = $this->load($record);
        foreach (array_diff_key($map->rows(), [Sheet::type() => 1, Topic::type() => 1]) as $type => $rows) {
            $gone = array_filter($rows, fn (Row $row): bool => array_filter($row->topics(), fn (string $id): bool => $map->row(Topic::type(), $id) === null) !== []);
            foreach (array_chunk(array_keys($gone), self::CHUNK) as $ids) {
                $this->kept($record->id)->where('type', $type)->whereIn('id', $ids)->delete();
            }
        }
    }

    /** The fields that few topics have anything in; fetching them for all would cost ten thousand topics a tenth of the time. */
    private function loadRarities(MapRecord $record, TopicMap $map): void
    {
        $rows = $record->topics()->toBase()
            ->where(fn (BaseQuery $query) => $query->whereNotNull('x')->orWhereNotNull('y')->orWhereNotNull('column')->orWhereNotNull('parked'))
            ->get(['id', 'x', 'y', 'column', 'parked']);
        foreach ($rows as $row) {
            $topic = $map->row(Topic::type(), (string) $row->id);
            if ($topic instanceof Topic) {
                $map->put($topic->with([
                    'x' => $row->x === null ? null : (int) $row->x,
                    'y' => $row->y === null ? null : (int) $row->y,
                    'column' => $row->column, 'parked' => $row->parked,
                ]));
            }
        }
    }

    /**
     * Puts a whole new map into someone's library.
     *
     * @param  string|null  $id  chosen by whoever asks, so that asking again makes no second map
     */
    public function create(Person $person, TopicMap $map, ?string $folder = null, ?string $id = null): MapRecord
    {
        $now = CarbonImmutable::now();

        return $this->database->transaction(function () use ($person, $map, $now, $folder, $id): MapRecord {
            $record = MapRecord::query()->create([
                'id' => $id ?? Ids::next(),
                'person_id' => $person->id,
                'title' => $map->sheet()->title,
                'root' => $map->sheet()->root,
                'arrangement' => $map->sheet()->arrangement,
                'folder' => $folder,
                'favourite' => false,
                'starter' => false,
                'indexed_seq' => null,
                'seq' => 0,
                'cleared' => 0,
                'talk' => 0,
                'offered_to' => null,
                'hand_out' => null,
                'copied_from' => null,
                'copied_seq' => null,
                'created_at' => $now,
                'updated_at' => $now,
            ]);
            $rows = array_diff_key($map->rows(), [Sheet::type() => 1]);
            $this->insert($record->id, array_merge(...array_values(array_map(array_values(...), $rows))));
            $this->admission->admitAll($record, $person, $map);

            return $record;
        });
    }

    /** Writes what an edit changed; the caller has opened a transaction. */
    public function save(MapRecord $record, TopicMap $map, Changes $changes): void
    {
        $new = $kept = $gone = [];
        foreach ($changes->all as $change) {
            $row = $map->row($change->type, $change->id);
            if ($change->type === Sheet::type()) {
                $sheet = $map->sheet();
                $record->title = $sheet->title;
                $record->arrangement = $sheet->arrangement;
            } elseif ($change->before === null) {
                $new[] = $row;
            } elseif ($change->type === Topic::type()) {
                $this->change($record->id, $change);
            } elseif ($row instanceof FeatureRow) {
                $kept[] = $row;
            } else {
                $gone[$change->type][] = $change->id;
            }
        }
        $this->insert($record->id, array_filter($new));
        foreach (array_chunk($kept, self::CHUNK) as $chunk) {
            RowRecord::query()->toBase()->upsert(array_map(fn (FeatureRow $row): array => $this->rowColumns($record->id, $row), $chunk), ['map_id', 'type', 'id'], ['fields']);
        }
        foreach ($gone as $type => $ids) {
            foreach (array_chunk($ids, self::CHUNK) as $chunk) {
                $this->kept($record->id)->toBase()->where('type', $type)->whereIn('id', $chunk)->delete();
            }
        }
    }

    private function change(string $map, Change $change): void
    {
        $kept = TopicRecord::query()->where('map_id', $map)->where('id', $change->id)->toBase();
        if ($change->after === null) {
            $kept->delete();
        } else {
            $kept->update($this->columns($change->after));
        }
    }

    /** @return array{map_id: string, type: string, id: string, fields: string} */
    private function rowColumns(string $map, FeatureRow $row): array
    {
        return ['map_id' => $map, 'type' => $row::type(), 'id' => $row->id, 'fields' => $this->encoded($row->saying())];
    }

    /** @param  array<Row>  $rows */
    private function insert(string $map, array $rows): void
    {
        $topics = array_filter($rows, fn (Row $row): bool => $row instanceof Topic);
        foreach (array_chunk($topics, self::CHUNK) as $chunk) {
            TopicRecord::query()->toBase()->insert(array_map(
                fn (Row $row): array => ['map_id' => $map, 'id' => $row->id()] + $this->columns($row->fields()),
                $chunk,
            ));
        }
        foreach (array_chunk(array_filter($rows, fn (Row $row): bool => $row instanceof FeatureRow), self::CHUNK) as $chunk) {
            RowRecord::query()->toBase()->insert(array_map(fn (FeatureRow $row): array => $this->rowColumns($map, $row), $chunk));
        }
    }

    /** @param  array<string, scalar|null>  $fields */
    private function encoded(array $fields): string
    {
        return json_encode($fields, JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR);
    }

    /**
     * @param  array<string, scalar|null>  $fields
     * @return array<string, scalar|null>
     */
    private function columns(array $fields): array
    {
        $columns = [];
        foreach ($fields as $name => $value) {
            $columns[$name === 'sideHeld' ? 'side_held' : $name] = $value;
        }

        return $columns;
    }
}
