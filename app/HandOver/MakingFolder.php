<?php

declare(strict_types=1);

namespace App\HandOver;

use Illuminate\Support\Facades\File;

/** A folder of its own in which a document is made; it goes with all that is in it. */
final readonly class MakingFolder
{
    private function __construct(public string $path)
    {
    }

    public static function begin(): self
    {
        $path = storage_path('app/making/'.bin2hex(random_bytes(12)));
        File::ensureDirectoryExists($path, 0o700);

        return new self($path);
    }

    public function put(string $name, string $contents): string
    {
        file_put_contents("{$this->path}/{$name}", $contents);

        return "{$this->path}/{$name}";
    }

    public function get(string $name): string
    {
        return (string) @file_get_contents("{$this->path}/{$name}");
    }

    public function end(): void
    {
        File::deleteDirectory($this->path);
    }
}
