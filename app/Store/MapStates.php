<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\EditRecord;
use App\Models\MapRecord;

/** Names the states of maps, so that what was computed of one is never taken for another. */
final class MapStates
{
    /** @var array<string, string> those asked for in this request, by map, number and clearings */
    private array $known = [];

    /** The latest edit is in it: a number alone could come again after a transaction that failed. And how often its trash was cleared, which is no edit. */
    public function of(MapRecord $map): string
    {
        return $this->known["{$map->id} {$map->seq} {$map->cleared}"] ??= $this->read($map);
    }

    /** The same, asked of the tables now. */
    public function read(MapRecord $map): string
    {
        $edit = $map->seq === 0 ? 'none' : (string) EditRecord::query()->where('map_id', $map->id)->where('seq', $map->seq)->value('edit_id');

        return "{$map->id} {$map->seq} {$edit} {$map->cleared}";
    }
}
