<?php

declare(strict_types=1);

namespace App\Library;

use App\Models\MapRecord;
use App\Models\Person;
use App\Models\TopicRecord;
use App\Sharing\Access;
use App\Sharing\Role;
use App\Store\MapStore;
use Carbon\CarbonImmutable;
use ChalkTree\Arrange\BranchArrangement;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\Link\Link;
use ChalkTree\Link\OwnWays;
use ChalkTree\Map\Ids;
use ChalkTree\Map\NewMap;
use ChalkTree\Map\TopicMap;
use ChalkTree\Text\InlineMarkdown;
use Illuminate\Database\Connection;
use stdClass;

/** A person's maps: making new ones, listing them, putting them aside. */
final readonly class Shelf
{
    public const UNTITLED = 'Untitled map';

    public function __construct(private Connection $database, private MapStore $store, private Access $access)
    {
    }

    public function start(Person $person, ?string $title = null, ?string $folder = null, ?string $id = null): MapRecord
    {
        return $this->store->create($person, NewMap::from(new TopicDraft($title === null ? '' : InlineMarkdown::escape($title))), $folder, $id);
    }

    /**
     * The map that was made under an id before, when its maker heard no answer; null if there is none yet.
     *
     * @throws InvalidEdit where the id is somebody else's
     */
    public function made(Person $person, string $id): ?MapRecord
    {
        $map = MapRecord::query()->find($id);

        return $map === null || $map->person_id === $person->id ? $map : throw new InvalidEdit('This id is taken. Choose another.', 'id');
    }

    /** @param  callable(): TopicMap  $read  what of it this person has */
    public function duplicate(Person $person, MapRecord $record, callable $read, ?string $id = null): MapRecord
    {
        return $this->database->transaction(function () use ($person, $record, $read, $id): MapRecord {
            $map = $read();
            $title = mb_substr($this->titleOf($record, $map->root()->title), 0, 190);
            OwnWays::turn($map, $record->id, $id ??= Ids::next());
            $copy = $this->store->create($person, $map, self::folderFor($person, $record), $id);
            $copy->title = "{$title} (copy)";
            // Who only looks has less of it, which nobody removed.
            if ($this->access->role($person, $record)?->isAtLeast(Role::Edit) === true) {
                $copy->forceFill(['copied_from' => $record->id, 'copied_seq' => $record->seq]);
            }
            $copy->save();

            return $copy;
        });
    }

    /** Where a map that is made of another stands: beside it, unless that is somebody else's. */
    private static function folderFor(Person $person, MapRecord $record): ?string
    {
        return $record->person_id === $person->id ? $record->folder : null;
    }

    /** A map of a branch of another, with a link back from its root. */
    public function part(Person $person, MapRecord $record, string $topic, ?string $id = null): MapRecord
    {
        $whole = $this->store->load($record);
        if ($whole->topic($topic)->id === $whole->sheet()->root) {
            throw new InvalidEdit('This is a map of its own already.', 'topic');
        }
        $part = NewMap::from(TopicDraft::of($whole, $topic), arrangement: BranchArrangement::nearest($whole, $topic));
        $back = InlineMarkdown::oneLine($whole->topic((string) ($whole->topic($topic)->parent ?? $topic))->title);
        $part->put(Link::fromFields(Ids::next(), ['at' => $part->sheet()->root, 'to' => "map:{$record->id}/{$topic}", 'title' => mb_substr($back, 0, Link::LONGEST_TITLE)]));

        return $this->store->create($person, $part, self::folderFor($person, $record), $id);
    }

    /**
     * @return list<array{id: string, title: string, topics: int, seq: int, updated: string, trashed: bool, folder: string|null, favourite: bool, starter: bool}> the latest changed first
     */
    public function list(Person $person, bool $trashed = false): array
    {
        // A row a map with the title of its root: one join, where models would ask for each root.
        $rows = MapRecord::query()->toBase()
            ->leftJoin('topics as root', fn ($join) => $join->on('root.map_id', '=', 'maps.id')->on('root.id', '=', 'maps.root'))
            ->where('person_id', $person->id)
            ->whereNull('trashed_at', not: $trashed)
            // What was given out stands with its class.
            ->when(! $trashed, fn ($maps) => $maps->whereNull('hand_out'))
            ->orderByDesc('maps.updated_at')
            ->orderBy('maps.id')
            ->get(['maps.id', 'maps.title', 'maps.seq', 'maps.updated_at', 'maps.trashed_at', 'maps.folder', 'maps.favourite', 'maps.starter', 'root.title as root_title']);
        $counts = TopicRecord::query()->toBase()
            ->whereIn('map_id', $rows->pluck('id'))
            ->whereNull('removed')
            ->groupBy('map_id')
            ->selectRaw('map_id, count(*) as topics')
            ->pluck('topics', 'map_id');

        return array_values($rows->map(fn (stdClass $row): array => [
            'id' => (string) $row->id,
            'title' => self::title($row->title, $row->root_title),
            'topics' => (int) ($counts[$row->id] ?? 0),
            'seq' => (int) $row->seq,
            'updated' => CarbonImmutable::parse((string) $row->updated_at)->toIso8601ZuluString('millisecond'),
            'trashed' => $row->trashed_at !== null,
            'folder' => $row->folder,
            'favourite' => (bool) $row->favourite,
            'starter' => (bool) $row->starter,
        ])->all());
    }

    /** @return array<string, string> of the maps in which somebody works, by map, the latest changed first; those in the trash left out */
    public function titles(Person $person): array
    {
        return MapRecord::query()->toBase()
            ->leftJoin('topics as root', fn ($join) => $join->on('root.map_id', '=', 'maps.id')->on('root.id', '=', 'maps.root'))
            ->where($this->access->workable($person))->whereNull('trashed_at')->whereNull('hand_out')->orderByDesc('maps.updated_at')
            ->get(['maps.id', 'maps.title', 'root.title as root_title'])
            ->mapWithKeys(fn (stdClass $row): array => [(string) $row->id => self::title($row->title, $row->root_title)])->all();
    }

    public function titleOf(MapRecord $record, string $rootTitle): string
    {
        return self::title($record->title, $rootTitle);
    }

    public static function title(?string $title, ?string $root): string
    {
        $plain = $title ?? InlineMarkdown::oneLine((string) $root);

        return $plain === '' ? self::UNTITLED : mb_strimwidth($plain, 0, 200, '…');
    }
}
