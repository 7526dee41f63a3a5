<?php

declare(strict_types=1);

namespace App\Library;

use App\Models\MapRecord;
use App\Models\Person;
use App\Models\TopicRecord;
use App\Pictures\KeptPictures;
use App\Store\MapStore;
use Carbon\CarbonImmutable;

/** What was thrown away: kept for thirty days, or until its owner empties the trash. */
final readonly class Trash
{
    public const DAYS = 30;

    public function __construct(private MapStore $store, private KeptPictures $pictures)
    {
    }

    /** Takes all that has lain in anyone's trash for longer than it is kept. */
    public function clearOld(): void
    {
        $before = CarbonImmutable::now()->subDays(self::DAYS);
        MapRecord::query()->where('trashed_at', '<', $before)->delete();
        $this->pictures->sweep();
        $maps = TopicRecord::query()->whereNotNull('removed')->where('changed', '>', 0)->where('changed', '<', $before->getTimestamp())->distinct()->pluck('map_id');
        MapRecord::query()->whereKey($maps)->each(fn (MapRecord $map) => $this->store->clear($map, $before->getTimestamp()));
    }

    public function emptyMaps(Person $person): int
    {
        return (int) $person->maps()->whereNotNull('trashed_at')->delete();
    }

    /** Undo and history can no longer bring back what this takes. */
    public function emptyBranches(MapRecord $map): int
    {
        return $this->store->clear($map);
    }
}
