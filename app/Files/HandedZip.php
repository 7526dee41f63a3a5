<?php

declare(strict_types=1);

namespace App\Files;

use Illuminate\Support\Facades\File;
use RuntimeException;
use SplObjectStorage;
use ZipArchive;

/** An archive that is written for whoever asked, and taken away by them. Files are read when it is closed: until then what lies elsewhere is held here. */
final class HandedZip
{
    /** @var list<string> paths of files that were made for it */
    private array $made = [];

    /** @var SplObjectStorage<object, null> */
    private readonly SplObjectStorage $held;

    private function __construct(public readonly ZipArchive $zip)
    {
        $this->held = new SplObjectStorage;
    }

    /**
     * @param  callable(self): void  $fill
     * @return string the path
     */
    public static function write(callable $fill): string
    {
        File::ensureDirectoryExists(storage_path('app/handed'), 0o700);
        $path = storage_path('app/handed/'.bin2hex(random_bytes(12)).'.zip');
        $its = new self(new ZipArchive);
        if ($its->zip->open($path, ZipArchive::CREATE | ZipArchive::EXCL) !== true) {
            throw new RuntimeException('The archive cannot be written.');
        }
        try {
            $fill($its);

            return $its->zip->close() ? $path : throw new RuntimeException('The archive cannot be written.');
        } finally {
            array_map(unlink(...), $its->made);
        }
    }

    /** Puts in an archive that was made for this, and goes with it. It is packed already. */
    public function move(string $path, string $within): void
    {
        $this->made[] = $path;
        $this->zip->addFile($path, $within);
        $this->zip->setCompressionName($within, ZipArchive::CM_STORE);
    }

    /** Puts in a file as it is, which is packed already. @param  mixed  $holder what keeps it there */
    public function pack(string $path, string $within, object $holder): void
    {
        $this->held->attach($holder);
        $this->zip->addFile($path, $within);
        $this->zip->setCompressionName($within, ZipArchive::CM_STORE);
    }

    /** @param  array<string, mixed>  $told */
    public function tell(string $within, array $told): void
    {
        $this->zip->addFromString($within, json_encode($told, JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR));
    }
}
