<?php

declare(strict_types=1);

namespace App\Library;

use App\Files\KeptFiles;
use App\Files\Uploads;
use App\HandOver\MadeFiles;
use App\Models\HandOver;
use App\Models\MapRecord;
use App\Models\Person;
use App\Models\TopicRecord;
use App\Pictures\KeptPictures;
use App\Store\MapStore;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\File;

/** What was thrown away: kept for thirty days, or until its owner empties the trash. */
final readonly class Trash
{
    public const DAYS = 30;

    /** Seconds that a file lies which was written for one answer. */
    private const HANDED = 7_200;

    public function __construct(private MapStore $store, private KeptPictures $pictures, private KeptFiles $files, private Uploads $uploads, private MadeFiles $made)
    {
    }

    /** Takes all that has lain in anyone's trash for longer than it is kept. */
    public function clearOld(): void
    {
        $before = CarbonImmutable::now()->subDays(self::DAYS);
        MapRecord::query()->where('trashed_at', '<', $before)->delete();
        $this->pictures->sweep();
        $this->files->sweep();
        $this->uploads->sweep();
        $this->sweepHandedOver();
        $maps = TopicRecord::query()->whereNotNull('removed')->where('changed', '>', 0)->where('changed', '<', $before->getTimestamp())->distinct()->pluck('map_id');
        MapRecord::query()->whereKey($maps)->each(fn (MapRecord $map) => $this->store->clear($map, $before->getTimestamp()));
    }

    /** What was written for an answer that was sent long ago, or never. */
    private function sweepHandedOver(): void
    {
        HandOver::query()->where('touched', '<', time() - self::HANDED)->delete();
        $this->made->sweep(time() - self::HANDED);
        foreach (['handed', 'joining', 'making'] as $folder) {
            foreach (glob(storage_path("app/{$folder}/*")) ?: [] as $file) {
                if ((int) @filemtime($file) < time() - self::HANDED) {
                    is_dir($file) ? File::deleteDirectory($file) : @unlink($file);
                }
            }
        }
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
