<?php

declare(strict_types=1);

namespace App\HandOver;

use App\Files\StoredAnswer;
use App\Models\HandOver;
use Illuminate\Contracts\Filesystem\Filesystem;
use Illuminate\Filesystem\LocalFilesystemAdapter;
use Illuminate\Support\Facades\File;
use Symfony\Component\HttpFoundation\Response;

/** Files that were made for somebody who waits, where every server reaches them whichever made them. */
final readonly class MadeFiles
{
    private const FOLDER = 'made';

    public function __construct(private Filesystem $files)
    {
    }

    public function keep(HandOver $of, string $bytes): void
    {
        $this->files->put(self::path($of), $bytes);
    }

    public function has(HandOver $of): bool
    {
        return $this->files->exists(self::path($of));
    }

    public function bytes(HandOver $of): int
    {
        return $this->has($of) ? $this->files->size(self::path($of)) : 0;
    }

    /** @param  array<string, string>  $headers */
    public function send(HandOver $of, array $headers): Response
    {
        return StoredAnswer::of($this->files, self::path($of), $headers);
    }

    /**
     * Lets a program read one as a file of this machine.
     *
     * @template T
     *
     * @param  callable(string): T  $read  takes the path, at which it lies as long as this runs
     * @return T|null null where there is none
     */
    public function read(HandOver $of, callable $read): mixed
    {
        if (! $this->has($of)) {
            return null;
        }
        if ($this->files instanceof LocalFilesystemAdapter) {
            return $read($this->files->path(self::path($of)));
        }
        File::ensureDirectoryExists(storage_path('app/joining'), 0o700);
        $path = storage_path('app/joining/'.bin2hex(random_bytes(12)));
        try {
            file_put_contents($path, (string) $this->files->get(self::path($of)));

            return $read($path);
        } finally {
            @unlink($path);
        }
    }

    public function forget(HandOver $of): void
    {
        $this->files->delete(self::path($of));
    }

    /** Takes away what has lain there since before a moment, in seconds since 1970. */
    public function sweep(int $before): void
    {
        foreach ($this->files->files(self::FOLDER) as $path) {
            if ($this->files->lastModified($path) < $before) {
                $this->files->delete($path);
            }
        }
    }

    private static function path(HandOver $of): string
    {
        return self::FOLDER."/{$of->id}";
    }
}
