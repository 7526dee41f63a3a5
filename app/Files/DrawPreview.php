<?php

declare(strict_types=1);

namespace App\Files;

use App\Limits\BoundedProgram;
use ChalkTree\Attach\FileMedia;
use Illuminate\Contracts\Filesystem\Filesystem;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Illuminate\Support\Facades\File;

/**
 * Draws the small picture of a file that its list and its links show: the first page of a PDF, a picture reduced. By
 * programs that are bounded; what they cannot draw has none.
 */
final class DrawPreview implements ShouldQueue
{
    use Queueable;

    public int $tries = 2;

    /** Pixels of its longer side. */
    private const SIDE = 640;

    /** Larger pictures are not decoded only for this, bytes. */
    private const LARGEST_PICTURE = 60 * 1024 * 1024;

    public function __construct(public readonly string $hash, public readonly string $media)
    {
    }

    public static function isOf(string $media): bool
    {
        return $media === FileMedia::PDF || FileMedia::isPicture($media);
    }

    public function handle(Filesystem $files): void
    {
        $whole = KeptFiles::path($this->hash);
        if (! $files->exists($whole) || $files->exists(KeptFiles::path($this->hash, 'preview')) || (FileMedia::isPicture($this->media) && $files->size($whole) > self::LARGEST_PICTURE)) {
            return;
        }
        $folder = storage_path('app/reducing/'.bin2hex(random_bytes(8)));
        File::ensureDirectoryExists($folder, 0o700);
        try {
            $from = $files->readStream($whole);
            if ($from === null) {
                return;
            }
            file_put_contents("{$folder}/whole", $from);
            is_resource($from) && fclose($from);
            $picture = $this->drawn($folder) ? (string) @file_get_contents("{$folder}/preview.jpg") : '';
            if (str_starts_with($picture, "\xff\xd8\xff")) {
                WholeFiles::put($files, KeptFiles::path($this->hash, 'preview'), $picture);
            }
        } finally {
            File::deleteDirectory($folder);
        }
    }

    private function drawn(string $folder): bool
    {
        $side = (string) self::SIDE;
        $command = $this->media === FileMedia::PDF
            ? ['pdftoppm', '-q', '-f', '1', '-l', '1', '-singlefile', '-jpeg', '-scale-to', $side, "{$folder}/whole", "{$folder}/preview"]
            : ['vipsthumbnail', "{$folder}/whole", '--size', "{$side}x{$side}>", '-o', "{$folder}/preview.jpg[Q=82,strip,background=255]"];

        return BoundedProgram::run($command) !== null;
    }
}
