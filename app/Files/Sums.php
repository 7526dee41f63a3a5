<?php

declare(strict_types=1);

namespace App\Files;

use App\Models\FileRecord;
use App\Models\Person;
use App\Models\PictureRecord;
use App\Models\Upload;

/** How much room the files and pictures of one person take, and how much they may; see "files" in config/chalk.php. */
final readonly class Sums
{
    /** Bytes of one file. */
    public static function largest(): int
    {
        return (int) config('chalk.files.largest');
    }

    /** Bytes of all files and pictures of a person. */
    public function most(): int
    {
        return (int) config('chalk.files.each');
    }

    /** Bytes in the maps of a person, those in the trash too, each file once; and what is on its way. */
    public function used(Person $person): int
    {
        $maps = $person->maps()->toBase()->select('id');
        $kept = fn (string $model): int => (int) $model::query()->toBase()->fromSub($model::query()->toBase()->whereIn('map_id', $maps)->groupBy('hash')->selectRaw('hash, max(bytes) as bytes'), 'each_once')->sum('bytes');

        return $kept(FileRecord::class) + $kept(PictureRecord::class) + (int) Upload::query()->where('person_id', $person->id)->whereNull('hash')->sum('bytes');
    }

    /** @throws UnusableFile where so many bytes more find no room */
    public function check(Person $person, int $more): void
    {
        $room = max(0, $this->most() - $this->used($person));
        if ($more > $room) {
            throw new UnusableFile('Your files may take '.self::words($this->most()).' together, and there is room for '.self::words($room).' more. Files that only the history of a map still has can be thrown away in its list of files.');
        }
    }

    /** A number of bytes in words. */
    public static function words(int $bytes): string
    {
        return match (true) {
            $bytes >= 1024 ** 3 => round($bytes / 1024 ** 3, 1).' GB',
            $bytes >= 1024 ** 2 => round($bytes / 1024 ** 2, 1).' MB',
            $bytes >= 1024 => round($bytes / 1024).' kB',
            default => "{$bytes} bytes",
        };
    }
}
