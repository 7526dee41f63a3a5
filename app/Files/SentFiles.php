<?php

declare(strict_types=1);

namespace App\Files;

use Illuminate\Contracts\Filesystem\Filesystem;
use Illuminate\Filesystem\LocalFilesystemAdapter;
use Symfony\Component\HttpFoundation\BinaryFileResponse;
use Symfony\Component\HttpFoundation\HeaderUtils;
use Symfony\Component\HttpFoundation\Response;

/**
 * Sends files, in parts where that is asked for. Where the server in front can (bin/serve), it is told which file and
 * sends that itself, so that no worker of ours waits for a slow line.
 */
final readonly class SentFiles
{
    /** A file does nothing, whatever is in it. bin/serve says the same for those that nginx sends. */
    public const POLICY = "default-src 'none'; style-src 'unsafe-inline'; img-src data:; media-src 'self'; sandbox";

    public function __construct(private Filesystem $files)
    {
    }

    /**
     * @param  string  $path  in the file system
     * @param  string  $media  one of FileMedia, or of what is made here
     * @param  bool  $isSaved  whether it is to be saved rather than shown
     */
    public function send(string $path, string $media, string $name, bool $isSaved): Response
    {
        $headers = self::headers($media, $name, $isSaved) + ['Cache-Control' => 'private, max-age=31536000, immutable'];

        return $this->files instanceof LocalFilesystemAdapter && config('chalk.files.handed') === true
            ? new Response('', 200, $headers + ['X-Accel-Redirect' => "/-kept/{$path}"])
            : StoredAnswer::of($this->files, $path, $headers);
    }

    /** Sends a file that was written for this answer, under storage/app/handed. */
    public function handOver(string $path, string $media, string $name): Response
    {
        $headers = self::headers($media, $name, true) + ['Cache-Control' => 'private, no-store'];

        return config('chalk.files.handed') === true
            ? new Response('', 200, $headers + ['X-Accel-Redirect' => '/-handed/'.basename($path)])
            : (new BinaryFileResponse($path, 200, $headers, false))->deleteFileAfterSend();
    }

    /** @return array<string, string> */
    private static function headers(string $media, string $name, bool $isSaved): array
    {
        $name = FileName::clean($name);

        return [
            'Content-Type' => $media,
            'Content-Disposition' => HeaderUtils::makeDisposition($isSaved ? 'attachment' : 'inline', $name, FileName::plain($name)),
            'Content-Security-Policy' => self::POLICY, 'X-Content-Type-Options' => 'nosniff',
        ];
    }
}
