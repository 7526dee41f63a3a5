<?php

declare(strict_types=1);

namespace App\Files;

use App\Models\FileRecord;
use App\Models\PictureRecord;
use Illuminate\Contracts\Filesystem\Filesystem;
use Illuminate\Filesystem\LocalFilesystemAdapter;

/** Files that lie under the hash of what is in them, a folder each: never half there, and gone when nothing names them. */
final class WholeFiles
{
    private const ARRIVING = 'arriving';

    /**
     * Puts a file where it belongs in one go, so that nobody ever finds half of it there, whenever the machine stops.
     *
     * @param  string|resource  $bytes  a stream is closed
     */
    public static function put(Filesystem $files, string $path, $bytes): void
    {
        if (! $files instanceof LocalFilesystemAdapter) {
            // Storage elsewhere has an object whole or not at all.
            is_string($bytes) ? $files->put($path, $bytes) : $files->writeStream($path, $bytes);
            is_resource($bytes) && fclose($bytes);

            return;
        }
        $meanwhile = self::ARRIVING.'/'.bin2hex(random_bytes(12));
        is_string($bytes) ? $files->put($meanwhile, $bytes) : $files->writeStream($meanwhile, $bytes);
        is_resource($bytes) && fclose($bytes);
        $files->move($meanwhile, $path);
    }

    /**
     * Takes the folders whose hash no map names, once they have lain for a while.
     *
     * @param  class-string<PictureRecord|FileRecord>  $named  what names them
     * @param  int  $rests  seconds for which one that has just come may be unnamed
     * @return int how many
     */
    public static function sweep(Filesystem $files, string $root, string $named, int $rests): int
    {
        $gone = 0;
        foreach ($files->directories($root) as $shelf) {
            $folders = $files->directories($shelf);
            $known = $named::query()->whereIn('hash', array_map(basename(...), $folders))->distinct()->pluck('hash')->all();
            foreach ($folders as $folder) {
                $since = min([time(), ...array_map($files->lastModified(...), $files->files($folder))]);
                if (! in_array(basename($folder), $known, true) && $since < time() - $rests) {
                    $files->deleteDirectory($folder);
                    $gone++;
                }
            }
        }
        foreach ($files->files(self::ARRIVING) as $file) {
            if ($files->lastModified($file) < time() - 2 * $rests) {
                $files->delete($file);
            }
        }

        return $gone;
    }
}
