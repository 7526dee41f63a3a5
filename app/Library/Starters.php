<?php

declare(strict_types=1);

namespace App\Library;

use App\Models\MapRecord;
use App\Models\Person;
use App\Store\MapStore;
use ChalkTree\Arrange\Arrangements;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Exchange\Formats;
use ChalkTree\Map\Sheet;
use ChalkTree\Map\TopicMap;

/** Maps to begin from: those that come with the application, as files in our own JSON, and a person's own. */
final readonly class Starters
{
    public function __construct(private MapStore $store, private Shelf $shelf)
    {
    }

    /** @return array{starters: list<array{id: string, name: string, what: string, own: bool}>, first: string|null} "StartersAnswer" in the wire schema */
    public function list(Person $person): array
    {
        $starters = array_map(fn (array $one): array => ['id' => $one['id'], 'name' => $one['name'], 'what' => $one['what'], 'own' => false], self::shipped());
        $titles = $this->shelf->titles($person);
        foreach ($person->openMaps()->where('starter', true) as $map) {
            $starters[] = ['id' => $map->id, 'name' => $titles[$map->id] ?? '', 'what' => 'A map of yours', 'own' => true];
        }

        return ['starters' => $starters, 'first' => in_array($person->starter, array_column($starters, 'id'), true) ? $person->starter : null];
    }

    /** The map that a starter begins with, on the first arrangement it wishes for that there is. */
    public function map(Person $person, string $id): TopicMap
    {
        foreach (self::shipped() as $one) {
            if ($one['id'] === $id) {
                $map = Formats::read((string) file_get_contents(database_path("starters/{$id}.json")), "{$id}.json");
                $wished = array_values(array_intersect($one['arrangements'], Arrangements::names()))[0] ?? null;
                $sheet = $map->sheet();
                $map->put(new Sheet(null, $sheet->root, $wished ?? $sheet->arrangement));

                return $map;
            }
        }
        $own = $person->map($id);

        return $own?->starter === true ? $this->withoutTrash($this->store->load($own)) : throw new InvalidEdit('There is no such starter, or no longer.', 'starter');
    }

    /** Begins a map from a starter and remembers which one, to offer it first next time. */
    public function begin(Person $person, string $id, ?string $folder, ?string $as = null): MapRecord
    {
        $record = $this->store->create($person, $this->map($person, $id), $folder, $as);
        $person->update(['starter' => $id]);

        return $record;
    }

    private function withoutTrash(TopicMap $map): TopicMap
    {
        $clean = new TopicMap([$map->sheet()]);
        $clean->fill($map->everything());

        return $clean;
    }

    /** @return list<array{id: string, name: string, what: string, arrangements: list<string>}> */
    private static function shipped(): array
    {
        /** @var list<array{id: string, name: string, what: string, arrangements: list<string>}> */
        return json_decode((string) file_get_contents(database_path('starters/index.json')), true, 8, JSON_THROW_ON_ERROR);
    }
}
