<?php

declare(strict_types=1);

namespace App\Find;

use App\Library\Shelf;
use App\Models\MapRecord;
use App\Models\Person;
use App\Sharing\Sight;
use App\Store\EditBody;
use App\Store\MapEditing;
use App\Store\MapStore;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Edit\ReplaceText;
use ChalkTree\Find\Finder;
use ChalkTree\Find\Hit;
use ChalkTree\Find\Query;
use ChalkTree\Map\Ids;
use ChalkTree\Map\TopicMap;
use ChalkTree\Map\Trail;
use Illuminate\Database\Connection;

/** Finding and replacing in one map, or in all in which a person works. */
final readonly class MapSearch
{
    /** More hits than this are not listed; whoever wants them makes the question narrower. */
    public const MOST_HITS = 10_000;

    public function __construct(private Connection $database, private MapStore $store, private MapEditing $editing, private Sight $sight)
    {
    }

    /**
     * @param  list<string>  $fields
     * @param  list<string>|null  $branches  ids in the one map; null for all of it
     * @return array{maps: list<array{map: string, title: string, trails: object, hits: list<array{key: string, topic: string, field: string, row: string, before: string, found: string, after: string}>}>, complete: bool} "FindAnswer" in the wire schema
     */
    public function find(Person $person, Query $query, array $fields, ?MapRecord $only = null, ?array $branches = null): array
    {
        $finder = new Finder($query, $fields);
        $maps = [];
        $left = self::MOST_HITS;
        foreach ($only === null ? $person->workableMaps() : [$only] as $record) {
            $map = $only === null ? $this->store->load($record) : $this->sight->of($person, $record);
            $hits = $left > 0 ? $finder->hits($map, $branches, $left) : [];
            $left -= count($hits);
            if ($hits !== []) {
                $maps[] = [
                    'map' => $record->id,
                    'title' => Shelf::title($record->title, $map->root()->title),
                    'trails' => (object) $this->trails($map, $hits),
                    'hits' => array_map(fn (Hit $hit): array => $hit->toArray(), $hits),
                ];
            }
        }

        return ['maps' => $maps, 'complete' => $left > 0];
    }

    /**
     * Replaces the hits named in each map, all as one step or, if one map refuses, none. Patterns are matched first, so
     * that nobody waits for that.
     *
     * @param  array<string, mixed>  $find  as Query reads it
     * @param  array<string, list<string>>  $hits  keys by map
     * @param  list<string>  $fields
     * @return array{step: string, maps: int, places: int} how many maps changed, and in how many places; those named that are no longer there do not count
     */
    public function replace(Person $person, array $find, string $with, array $fields, array $hits): array
    {
        $step = Ids::next();
        $edits = [];
        foreach ($hits as $id => $keys) {
            $record = $person->map($id) ?? throw $this->gone();
            $edits[$id] = EditBody::read(['name' => 'text.replace', 'step' => $step, 'find' => $find, 'with' => $with, 'fields' => $fields, 'only' => $keys]);
            $edits[$id]->prepare($this->store->load($record));
        }
        $maps = $places = 0;
        $this->database->transaction(function () use ($person, $edits, &$maps, &$places): void {
            foreach ($edits as $id => $body) {
                $record = $person->map($id, held: true) ?? throw $this->gone();
                $this->editing->make($record, $this->store->load($record), $person, $body);
                $edit = $body->edit();
                $replaced = $edit instanceof ReplaceText ? $edit->replaced() : 0;
                $places += $replaced;
                $maps += $replaced > 0 ? 1 : 0;
            }
        });

        return ['step' => $step, 'maps' => $maps, 'places' => $places];
    }

    private function gone(): InvalidEdit
    {
        return new InvalidEdit('One of these maps is not in your library, or no longer.', 'hits');
    }

    /**
     * The titles on the way down to each topic that has a hit, its own last.
     *
     * @param  list<Hit>  $hits
     * @return array<string, list<string>>
     */
    private function trails(TopicMap $map, array $hits): array
    {
        $trails = [];
        foreach ($hits as $hit) {
            $trails[$hit->topic] ??= Trail::to($map, $hit->topic, 80);
        }

        return $trails;
    }
}
