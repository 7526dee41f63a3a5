<?php

declare(strict_types=1);

namespace App\Library;

use App\Models\MapRecord;
use App\Models\Person;
use App\Models\RowRecord;
use ChalkTree\Kind\Kind;
use ChalkTree\Kind\KindField;
use ChalkTree\Kind\KindLibrary;
use ChalkTree\Kind\ShippedKinds;
use ChalkTree\Look\MixedChalk;
use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\RowTypes;

/** The kinds that a person can take into a map: those that ship, and those of all their maps. */
final readonly class PersonsKinds
{
    private const MOST = 400;

    public function __construct(private Shelf $shelf)
    {
    }

    /** @return array{kinds: list<array{id: string, name: string, map: string|null, title: string, rows: list<array{type: string, id: string, fields: object}>}>} "KindsAnswer" in the wire schema; those that ship first */
    public function of(Person $person): array
    {
        $kinds = $this->told(KindLibrary::bundles(ShippedKinds::rows()), null, '');
        $seen = array_column($kinds, 'id', 'id');
        $maps = $person->openMaps();
        $titles = $this->shelf->titles($person);
        $records = RowRecord::query()->whereIn('type', [Kind::type(), KindField::type(), MixedChalk::type()])
            ->whereIn('map_id', $maps->pluck('id'))->get()->groupBy('map_id');
        foreach ($maps as $map) {
            $rows = [];
            foreach ($records[$map->id] ?? [] as $record) {
                $rows[] = RowTypes::ofFeature($record->type)::fromFields($record->id, $record->fields);
            }
            // A kind that came from another map has its id; the latest changed of them is told.
            $bundles = array_diff_key(KindLibrary::bundles($rows), $seen);
            $seen += $bundles;
            array_push($kinds, ...$this->told($bundles, $map, $titles[$map->id] ?? ''));
        }

        return ['kinds' => array_slice($kinds, 0, self::MOST)];
    }

    /**
     * @param  array<string, list<FeatureRow>>  $bundles
     * @return list<array{id: string, name: string, map: string|null, title: string, rows: list<array{type: string, id: string, fields: object}>}>
     */
    private function told(array $bundles, ?MapRecord $map, string $title): array
    {
        $kinds = [];
        foreach ($bundles as $id => $rows) {
            $kinds[] = [
                'id' => (string) $id, 'name' => $rows[0]->text('name'), 'map' => $map?->id, 'title' => $title,
                'rows' => array_map(fn (FeatureRow $row): array => ['type' => $row::type(), 'id' => $row->id, 'fields' => (object) $row->saying()], $rows),
            ];
        }

        return $kinds;
    }
}
