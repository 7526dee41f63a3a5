<?php

declare(strict_types=1);

namespace App\Library;

use App\Models\Person;
use App\Models\RowRecord;
use ChalkTree\Look\MixedChalk;
use ChalkTree\Look\NamedLook;
use ChalkTree\Map\FeatureRow;

/** The looks with a name in all maps of a person, and the chalks mixed for them, so that what was made for one can be had in any. */
final readonly class NamedLooks
{
    private const MOST = 200;

    /** @return array{looks: list<array{map: string, id: string, name: string, fields: object}>, chalks: list<array{id: string, fields: object}>} "LooksAnswer" in the wire schema */
    public function of(Person $person): array
    {
        $looks = [];
        foreach ($this->rows($person, NamedLook::class) as $map => $look) {
            $looks[] = ['map' => $map, 'id' => $look->id, 'name' => $look->text('name'), 'fields' => (object) array_diff_key($look->saying(), ['name' => 1])];
        }
        $chalks = [];
        foreach ($this->rows($person, MixedChalk::class) as $chalk) {
            $chalks[] = ['id' => $chalk->id, 'fields' => (object) $chalk->saying()];
        }

        return ['looks' => $looks, 'chalks' => $chalks];
    }

    /**
     * @template T of FeatureRow
     *
     * @param  class-string<T>  $class
     * @return iterable<string, T> the latest, by map
     */
    private function rows(Person $person, string $class): iterable
    {
        $records = RowRecord::query()->where('type', $class::type())
            ->whereIn('map_id', $person->openMaps()->pluck('id'))->orderByDesc('id')->limit(self::MOST)->get();
        foreach ($records as $record) {
            yield $record->map_id => $class::fromFields($record->id, $record->fields);
        }
    }
}
