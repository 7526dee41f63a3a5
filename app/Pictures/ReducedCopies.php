<?php

declare(strict_types=1);

namespace App\Pictures;

use ChalkTree\Picture\PictureFile;
use ChalkTree\Picture\UnusablePicture;
use Illuminate\Support\Facades\File;
use Symfony\Component\Process\Process;

/**
 * Makes the reduced copies of pictures that boards and files show, turned as cameras say and without what cameras write:
 * by libvips in a process of its own, bounded in memory and time, whatever is in the file.
 */
final readonly class ReducedCopies
{
    /** Bytes of address space, which is several times what is used. */
    private const MEMORY = 2 * 1024 * 1024 * 1024;

    /** Seconds of the processor, and of the clock. */
    private const PROCESSOR = 20;

    private const CLOCK = 20.0;

    /**
     * @return array<string, string> the bytes of each copy, by PictureSize
     *
     * @throws UnusablePicture where it cannot be drawn
     */
    public function of(PictureFile $picture): array
    {
        $folder = storage_path('app/reducing/'.bin2hex(random_bytes(8)));
        File::ensureDirectoryExists($folder, 0o700);
        try {
            file_put_contents("{$folder}/original", $picture->bytes);
            $ending = $this->hasHoles($picture, $folder) ? 'png[strip]' : 'jpg[Q=84,strip]';
            $copies = [];
            $from = 'original';
            foreach ([PictureSize::Large, PictureSize::Small] as $size) {
                $to = "{$size->value}.".substr($ending, 0, 3);
                // ">" never makes one larger than it is.
                $this->run(['vipsthumbnail', "{$folder}/{$from}", '--size', "{$size->side()}x{$size->side()}>", '-o', "{$folder}/{$size->value}.{$ending}"]);
                $copies[$size->value] = (string) @file_get_contents("{$folder}/{$to}");
                if ($copies[$size->value] === '') {
                    throw self::unusable();
                }
                // The small one of the large one, which is quick.
                $from = $to;
            }

            return $copies;
        } finally {
            File::deleteDirectory($folder);
        }
    }

    public static function media(string $bytes): string
    {
        return str_starts_with($bytes, "\x89PNG") ? 'image/png' : 'image/jpeg';
    }

    /** Whether the board may be seen through it. */
    private function hasHoles(PictureFile $picture, string $folder): bool
    {
        return $picture->media !== 'image/jpeg' && in_array(trim($this->run(['vipsheader', '-f', 'bands', "{$folder}/original"])), ['2', '4'], true);
    }

    /** @param  list<string>  $command */
    private function run(array $command): string
    {
        // Only what libvips has made safe against any file is let near one.
        $process = new Process(['prlimit', '--as='.self::MEMORY, '--cpu='.self::PROCESSOR, ...$command], env: ['VIPS_BLOCK_UNTRUSTED' => '1', 'VIPS_WARNING' => '0'], timeout: self::CLOCK);
        try {
            $process->run();
        } catch (\Symfony\Component\Process\Exception\ProcessTimedOutException) {
            throw self::unusable();
        }

        return $process->isSuccessful() ? $process->getOutput() : throw self::unusable();
    }

    private static function unusable(): UnusablePicture
    {
        return new UnusablePicture('This picture cannot be drawn; its file seems to be damaged.');
    }
}
