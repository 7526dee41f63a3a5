<?php

declare(strict_types=1);

namespace App\Pictures;

use App\Files\WholeFiles;
use App\Models\MapRecord;
use App\Models\PictureRecord;
use ChalkTree\Picture\PictureFile;
use Illuminate\Contracts\Filesystem\Filesystem;

/** The files of pictures, kept by what is in them, and which maps may show them; see Admission too. */
final readonly class KeptPictures
{
    /** What nothing names is swept away when it has lain for this long, seconds. */
    private const RESTS = 3600;

    public function __construct(private Filesystem $files, private ReducedCopies $copies)
    {
    }

    /** Keeps a picture for a map. */
    public function add(MapRecord $map, PictureFile $picture): PictureRecord
    {
        $hash = $picture->hash();
        if (! $this->files->exists(self::path($hash, PictureSize::Original)) || ! $this->files->exists(self::path($hash, PictureSize::Small))) {
            // What cannot be reduced is not kept.
            foreach (($picture->isVector() ? [] : $this->copies->of($picture)) + [PictureSize::Original->value => $picture->bytes] as $size => $bytes) {
                WholeFiles::put($this->files, self::path($hash, PictureSize::from($size)), $bytes);
            }
        }

        return $this->allow($map->id, new PictureRecord([
            'hash' => $hash, 'media' => $picture->media, 'wide' => $picture->wide, 'high' => $picture->high, 'bytes' => strlen($picture->bytes),
        ]));
    }

    public function find(string $map, string $hash): ?PictureRecord
    {
        return PictureRecord::query()->where('map_id', $map)->where('hash', $hash)->first();
    }

    /**
     * @param  PictureSize  $size  drawings in vectors are the same in every size
     * @return array{string, string}|null  the bytes and their media type
     */
    public function read(PictureRecord $picture, PictureSize $size): ?array
    {
        $isWhole = $size === PictureSize::Original || $picture->media === 'image/svg+xml';
        $bytes = $this->files->get(self::path($picture->hash, $isWhole ? PictureSize::Original : $size));

        return $bytes === null ? null : [$bytes, $isWhole ? $picture->media : ReducedCopies::media($bytes)];
    }

    /** Takes a picture from a map for good; its history has it no more either. */
    public function forget(string $map, string $hash): void
    {
        PictureRecord::query()->where('map_id', $map)->where('hash', $hash)->delete();
    }

    private function allow(string $map, PictureRecord $picture): PictureRecord
    {
        $its = ['media' => $picture->media, 'wide' => $picture->wide, 'high' => $picture->high, 'bytes' => $picture->bytes];
        PictureRecord::query()->insertOrIgnore(['map_id' => $map, 'hash' => $picture->hash] + $its);

        return $picture;
    }

    /**
     * Takes the files that no map shows any more.
     *
     * @return int how many
     */
    public function sweep(): int
    {
        return WholeFiles::sweep($this->files, 'pictures', PictureRecord::class, self::RESTS);
    }

    /** Where its bytes lie in the file system. */
    public static function path(string $hash, PictureSize $size): string
    {
        return 'pictures/'.substr($hash, 0, 2)."/{$hash}/{$size->value}";
    }
}
