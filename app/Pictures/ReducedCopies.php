<?php

declare(strict_types=1);

namespace App\Pictures;

use App\Limits\BoundedProgram;
use ChalkTree\Picture\PictureFile;
use ChalkTree\Picture\UnusablePicture;
use Illuminate\Support\Facades\File;

/**
 * Makes the reduced copies of pictures that boards and files show, turned as cameras say and without what cameras write:
 * by libvips; see BoundedProgram.
 */
final readonly class ReducedCopies
{
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
        return BoundedProgram::run($command) ?? throw self::unusable();
    }

    private static function unusable(): UnusablePicture
    {
        return new UnusablePicture('This picture cannot be drawn; its file seems to be damaged.');
    }
}
