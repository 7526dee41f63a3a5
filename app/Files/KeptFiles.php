<?php

declare(strict_types=1);

namespace App\Files;

use App\Models\FileRecord;
use App\Models\MapRecord;
use Illuminate\Contracts\Filesystem\Filesystem;
use Illuminate\Database\Eloquent\Collection;

/** The files of maps, kept by what is in them, and which maps have them. */
final readonly class KeptFiles
{
    /** What nothing names is swept away when it has lain for this long, seconds. */
    private const RESTS = 3600;

    /** What the bytes themselves are called, beside the small picture. */
    public const WHOLE = 'whole';

    public function __construct(private Filesystem $files)
    {
    }

    /** Keeps a file for a map; a small picture of it is drawn when there is time. */
    public function add(MapRecord $map, JoinedFile $file, string $name): FileRecord
    {
        $hash = $file->hash();
        if (! $this->files->exists(self::path($hash)) || $this->files->size(self::path($hash)) !== $file->bytes()) {
            $from = fopen($file->path, 'rb') ?: throw new UnusableFile('This file could not be read.');
            WholeFiles::put($this->files, self::path($hash), $from);
        }
        FileRecord::query()->insertOrIgnore(['map_id' => $map->id, 'hash' => $hash, 'name' => $name, 'media' => $file->media(), 'bytes' => $file->bytes(), 'came' => time()]);
        if (DrawPreview::isOf($file->media()) && ! $this->files->exists(self::path($hash, 'preview'))) {
            DrawPreview::dispatch($hash, $file->media());
        }

        return $this->find($map->id, $hash) ?? throw new UnusableFile('This file could not be kept.');
    }

    public function find(string $map, string $hash): ?FileRecord
    {
        return FileRecord::query()->where('map_id', $map)->where('hash', $hash)->first();
    }

    /** @return Collection<int, FileRecord> those that a map has or had, the latest first */
    public function of(MapRecord $map): Collection
    {
        return FileRecord::query()->where('map_id', $map->id)->get()->sortBy([['came', 'desc'], ['hash', 'asc']])->values();
    }

    /** Takes a file from a map for good; its history has it no more either. */
    public function forget(FileRecord $file): void
    {
        FileRecord::query()->where('map_id', $file->map_id)->where('hash', $file->hash)->delete();
    }

    /** Where its bytes lie, or its small picture, in the file system. */
    public static function path(string $hash, string $part = self::WHOLE): string
    {
        return 'files/'.substr($hash, 0, 2)."/{$hash}/{$part}";
    }

    /**
     * Takes the files that no map has any more.
     *
     * @return int how many
     */
    public function sweep(): int
    {
        return WholeFiles::sweep($this->files, 'files', FileRecord::class, self::RESTS);
    }
}
