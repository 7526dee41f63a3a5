<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\MapRecord;
use App\Models\Person;
use Carbon\CarbonImmutable;
use ChalkTree\Edit\Change;
use ChalkTree\Edit\Changes;
use ChalkTree\Map\Ids;
use ChalkTree\Map\Row;
use ChalkTree\Map\Sheet;
use ChalkTree\Map\Side;
use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;
use Illuminate\Database\Connection;
use Illuminate\Database\Query\Builder;
use PDO;

/** Brings maps from the database into memory, and what was recorded of their edits back. */
final readonly class MapStore
{
    /** Rows in one insert; SQLite and PostgreSQL bound the parameters of a statement. */
    private const CHUNK = 400;

    /** @var array<string, string> the fields that are called otherwise in the table */
    private const COLUMNS = ['numberFrom' => 'number_from', 'apartX' => 'apart_x', 'apartY' => 'apart_y'];

    public function __construct(private Connection $database)
    {
    }

    public function load(MapRecord $record): TopicMap
    {
        $map = new TopicMap([new Sheet($record->title, $record->root, $record->arrangement)]);
        // Straight from PDO: ten thousand rows as objects of the query builder would take three times as long.
        $rows = $this->database->getPdo()->prepare('select id, parent, rank, title, caption, note, side, side_held, width, removed, changed from topics where map_id = ?');
        $rows->execute([$record->id]);
        $rows->setFetchMode(PDO::FETCH_NUM);
        $map->fill((function () use ($rows): iterable {
            foreach ($rows as [$id, $parent, $rank, $title, $caption, $note, $side, $held, $width, $removed, $changed]) {
                yield new Topic(
                    $id, $parent, $rank, $title, $caption, $note,
                    $side === null ? null : Side::from($side), (bool) $held, $width === null ? null : (int) $width, $removed, changed: (int) $changed,
                );
            }
        })());
        $this->loadRarities($record, $map);

        return $map;
    }

    /** The fields that few topics have anything in; fetching them for all would cost ten thousand topics a tenth of the time. */
    private function loadRarities(MapRecord $record, TopicMap $map): void
    {
        $rows = $this->database->table('topics')->where('map_id', $record->id)
            ->where(fn (Builder $query) => $query->whereNotNull('x')->orWhereNotNull('parked')->orWhereNotNull('numbering')->orWhere('apart_x', '<>', 0)->orWhere('apart_y', '<>', 0))
            ->get(['id', ...array_values(self::COLUMNS), 'x', 'y', 'column', 'parked', 'numbering']);
        foreach ($rows as $row) {
            $topic = $map->row(Topic::type(), (string) $row->id);
            if ($topic instanceof Topic) {
                $map->put($topic->with([
                    'x' => $row->x === null ? null : (int) $row->x,
                    'y' => $row->y === null ? null : (int) $row->y,
                    'column' => $row->column, 'parked' => $row->parked, 'numbering' => $row->numbering,
                    'numberFrom' => (int) $row->number_from, 'apartX' => (int) $row->apart_x, 'apartY' => (int) $row->apart_y,
                ]));
            }
        }
    }

    /** Puts a whole new map into someone's library. */
    public function create(Person $person, TopicMap $map, ?string $folder = null): MapRecord
    {
        $now = CarbonImmutable::now();

        return $this->database->transaction(function () use ($person, $map, $now, $folder): MapRecord {
            $record = MapRecord::query()->create([
                'id' => Ids::next(),
                'person_id' => $person->id,
                'title' => $map->sheet()->title,
                'root' => $map->sheet()->root,
                'arrangement' => $map->sheet()->arrangement,
                'folder' => $folder,
                'favourite' => false,
                'starter' => false,
                'indexed_seq' => null,
                'seq' => 0,
                'created_at' => $now,
                'updated_at' => $now,
            ]);
            $this->insert($record->id, array_values($map->rows()[Topic::type()] ?? []));

            return $record;
        });
    }

    /** Writes what an edit changed; the caller has opened a transaction. */
    public function save(MapRecord $record, TopicMap $map, Changes $changes): void
    {
        $new = [];
        foreach ($changes->all as $change) {
            if ($change->type === Sheet::type()) {
                $sheet = $map->sheet();
                $record->title = $sheet->title;
                $record->arrangement = $sheet->arrangement;
            } elseif ($change->before === null) {
                $new[] = $map->row($change->type, $change->id);
            } else {
                $this->change($record->id, $change);
            }
        }
        $this->insert($record->id, array_filter($new));
    }

    private function change(string $map, Change $change): void
    {
        $row = $this->database->table('topics')->where('map_id', $map)->where('id', $change->id);
        if ($change->after === null) {
            $row->delete();
        } else {
            $row->update($this->columns($change->after));
        }
    }

    /** @param  array<Row>  $rows */
    private function insert(string $map, array $rows): void
    {
        foreach (array_chunk($rows, self::CHUNK) as $chunk) {
            $this->database->table('topics')->insert(array_map(
                fn (Row $row): array => ['map_id' => $map, 'id' => $row->id()] + $this->columns($row->fields()),
                $chunk,
            ));
        }
    }

    /**
     * @param  array<string, scalar|null>  $fields
     * @return array<string, scalar|null>
     */
    private function columns(array $fields): array
    {
        $columns = [];
        foreach ($fields as $name => $value) {
            $columns[self::COLUMNS[$name] ?? ($name === 'sideHeld' ? 'side_held' : $name)] = $value;
        }

        return $columns;
    }
}
