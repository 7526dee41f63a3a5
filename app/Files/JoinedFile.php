<?php

declare(strict_types=1);

namespace App\Files;

use ChalkTree\Attach\FileMedia;
use HashContext;
use Illuminate\Support\Facades\File;
use RuntimeException;

/** A file on this machine's disk that is gone with this object: written once, and known then by its hash, its length and its first bytes. */
final class JoinedFile
{
    private const STEP = 1024 * 1024;

    private readonly HashContext $context;

    private ?string $hash = null;

    private int $bytes = 0;

    private string $head = '';

    private function __construct(public readonly string $path)
    {
        $this->context = hash_init('sha256');
    }

    public static function begin(): self
    {
        File::ensureDirectoryExists(storage_path('app/joining'), 0o700);

        $path = storage_path('app/joining/'.bin2hex(random_bytes(12)));
        touch($path);

        return new self($path);
    }

    /** A copy of a file of this machine. */
    public static function copyOf(string $path): self
    {
        $from = fopen($path, 'rb') ?: throw new RuntimeException("The file {$path} cannot be read.");
        $copy = self::begin();
        $copy->append($from);
        fclose($from);

        return $copy;
    }

    /**
     * @param  resource  $from
     * @param  int  $most  bytes that may come
     *
     * @throws UnusableFile where more come
     */
    public function append($from, int $most = PHP_INT_MAX): void
    {
        $to = fopen($this->path, 'ab') ?: throw new RuntimeException('A file cannot be written.');
        for ($come = 0; ! feof($from);) {
            $bytes = (string) fread($from, self::STEP);
            $come += strlen($bytes);
            if ($come > $most) {
                fclose($to);
                throw new UnusableFile('There is more in this file than can be taken in.');
            }
            hash_update($this->context, $bytes);
            $this->head = strlen($this->head) < FileMedia::LOOKED_AT ? substr($this->head.$bytes, 0, FileMedia::LOOKED_AT) : $this->head;
            $this->bytes += strlen($bytes);
            if (fwrite($to, $bytes) !== strlen($bytes)) {
                fclose($to);
                throw new UnusableFile('There is no room for this file at the moment.');
            }
        }
        fclose($to);
    }

    public function bytes(): int
    {
        return $this->bytes;
    }

    /** Nothing can be appended after this. */
    public function hash(): string
    {
        return $this->hash ??= hash_final($this->context);
    }

    public function media(): string
    {
        return FileMedia::of($this->head);
    }

    public function head(): string
    {
        return $this->head;
    }

    public function __destruct()
    {
        @unlink($this->path);
    }
}
