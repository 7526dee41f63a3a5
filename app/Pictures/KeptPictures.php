<?php

declare(strict_types=1);

namespace App\Pictures;

use App\Models\MapRecord;
use App\Models\Person;
use App\Models\PictureRecord;
use ChalkTree\Edit\Changes;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Map\TopicMap;
use ChalkTree\Picture\PictureFile;
use ChalkTree\Picture\TopicPicture;
use Illuminate\Contracts\Filesystem\Filesystem;
use Illuminate\Database\Eloquent\Builder;

/**
 * The files of pictures, kept by what is in them, and which maps may show them: those that they were brought into, and
 * those of the same person into which topics were copied.
 */
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
        if (! $this->files->exists(self::path($hash, 'original')) || ! $this->files->exists(self::path($hash, 'small'))) {
            // What cannot be reduced is not kept.
            foreach (($picture->isVector() ? [] : $this->copies->of($picture)) + ['original' => $picture->bytes] as $size => $bytes) {
                $this->files->put(self::path($hash, $size), $bytes);
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
        $bytes = $this->files->get(self::path($picture->hash, $isWhole ? 'original' : $size->value));

        return $bytes === null ? null : [$bytes, $isWhole ? $picture->media : ReducedCopies::media($bytes)];
    }

    /**
     * Lets a map show what an edit has brought into it, if this person may see that in another map of theirs. What the map
     * showed before it may show again.
     *
     * @throws InvalidEdit where it is nowhere to be seen for them
     */
    public function admit(MapRecord $record, TopicMap $map, Person $person, Changes $changes): void
    {
        $brought = $before = $changed = [];
        foreach ($changes->all as $change) {
            if ($change->type === TopicPicture::type()) {
                $brought[] = self::hashIn($change->after);
                $before[] = self::hashIn($change->before);
                $changed[$change->id] = true;
            }
        }
        $brought = array_diff(array_filter($brought), $before);
        if ($brought === []) {
            return;
        }
        $others = array_map(fn (TopicPicture $row): ?string => $row->file(), array_diff_key($map->rowsOf(TopicPicture::class), $changed));
        foreach (array_diff($brought, $others) as $hash) {
            if (! $this->isAdmitted($record, $person, $hash)) {
                throw new InvalidEdit('This picture is not among yours. Bring its file into the map.', 'fields');
            }
        }
    }

    /** @param  array<string, mixed>|null  $fields */
    private static function hashIn(?array $fields): ?string
    {
        $source = $fields['source'] ?? null;

        return is_string($source) && str_starts_with($source, 'file:') ? substr($source, 5) : null;
    }

    /** The same for all that is in a map that was just made; what cannot be seen is left as an empty place. */
    public function admitAll(MapRecord $map, Person $person, TopicMap $topics): void
    {
        foreach ($topics->rowsOf(TopicPicture::class) as $row) {
            if ($row->file() !== null) {
                $this->isAdmitted($map, $person, $row->file());
            }
        }
    }

    private function isAdmitted(MapRecord $map, Person $person, string $hash): bool
    {
        if (PictureRecord::query()->where('map_id', $map->id)->where('hash', $hash)->exists()) {
            return true;
        }
        $other = PictureRecord::query()->where('hash', $hash)->where(fn (Builder $of) => $of->whereIn('map_id', $person->maps()->pluck('id')))->first();
        if ($other !== null) {
            $this->allow($map->id, $other);
        }

        return $other !== null;
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
        $gone = 0;
        foreach ($this->files->directories('pictures') as $shelf) {
            $hashes = array_map(basename(...), $this->files->directories($shelf));
            $named = PictureRecord::query()->whereIn('hash', $hashes)->distinct()->pluck('hash')->all();
            foreach (array_diff($hashes, $named) as $hash) {
                // One that has just come may not be named yet.
                if (! $this->files->exists(self::path($hash, 'original')) || $this->files->lastModified(self::path($hash, 'original')) < time() - self::RESTS) {
                    $this->files->deleteDirectory("{$shelf}/{$hash}");
                    $gone++;
                }
            }
        }

        return $gone;
    }

    private static function path(string $hash, string $size): string
    {
        return 'pictures/'.substr($hash, 0, 2)."/{$hash}/{$size}";
    }
}
