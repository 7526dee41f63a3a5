<?php

declare(strict_types=1);

namespace App\Find;

use App\Library\Shelf;
use App\Models\MapRecord;
use App\Models\Person;
use App\Store\EditBody;
use App\Store\MapEditing;
use App\Store\MapStore;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Find\Finder;
use ChalkTree\Find\Hit;
use ChalkTree\Find\Query;
use ChalkTree\Map\Ids;
use ChalkTree\Map\TopicMap;
use ChalkTree\Map\Trail;
use Illuminate\Database\Connection;

/** Finding and replacing in one map or in all of a person's maps. */
final readonly class MapSearch
{
    /** More hits than this are not listed; whoever wants them makes the question narrower. */
    public const MOST_HITS = 10_000;

    public function __construct(private Connection $database, private MapStore $store, private MapEditing $editing)
    {
    }

    /**
     * @param  list<string>  $fields
     * @param  list<string>|null  $branches  ids in the one map; null for all of it
     * @return array{maps: list<array{map: string, title: string, trails: object, hits: list<array{key: string, topic: string, field: string, before: string, found: string, after: string}>}>, complete: bool} "FindAnswer" in the wire schema
     */
    public function find(Person $person, Query $query, array $fields, ?MapRecord $only = null, ?array $branches = null): array
    {
        $finder = new Finder($query, $fields);
        $maps = [];
        $left = self::MOST_HITS;
        foreach ($only === null ? $person->openMaps() : [$only] as $record) {
            $map = $this->store->load($record);
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
     * Replaces the hits named in each map, all as one step or, if one map refuses, none.
     *
     * @param  array<string, mixed>  $find  as Query reads it
     * @param  array<string, list<string>>  $hits  keys by map
     * @param  list<string>  $fields
     * @return array{step: string, maps: int}
     */
    public function replace(Person $person, array $find, string $with, array $fields, array $hits): array
    {
        $step = Ids::next();
        $this->database->transaction(function () use ($person, $find, $with, $fields, $hits, $step): void {
            foreach ($hits as $id => $keys) {
                $record = $person->map($id, held: true) ?? throw new InvalidEdit('One of these maps is not in your library, or no longer.', 'hits');
                $body = EditBody::read(['name' => 'text.replace', 'step' => $step, 'find' => $find, 'with' => $with, 'fields' => $fields, 'only' => $keys]);
                $this->editing->make($record, $this->store->load($record), $person, $body);
            }
        });

        return ['step' => $step, 'maps' => count($hits)];
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
