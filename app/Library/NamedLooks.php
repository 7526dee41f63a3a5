<?php

declare(strict_types=1);

namespace App\Library;

use App\Models\Person;
use App\Models\RowRecord;
use ChalkTree\Look\NamedLook;

/** The looks with a name in all maps of a person, so that what was made for one can be had in any. */
final readonly class NamedLooks
{
    private const MOST = 200;

    /** @return array{looks: list<array{map: string, id: string, name: string, fields: object}>} "LooksAnswer" in the wire schema */
    public function of(Person $person): array
    {
        $records = RowRecord::query()->where('type', NamedLook::type())
            ->whereIn('map_id', $person->openMaps()->pluck('id'))->orderByDesc('id')->limit(self::MOST)->get();
        $looks = [];
        foreach ($records as $record) {
            $look = NamedLook::fromFields($record->id, $record->fields);
            $looks[] = ['map' => $record->map_id, 'id' => $look->id, 'name' => $look->text('name'), 'fields' => (object) array_diff_key($look->saying(), ['name' => 1])];
        }

        return ['looks' => $looks];
    }
}
