<?php

declare(strict_types=1);

namespace App\Aloud;

use App\Limits\BoundedProgram;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\File;
use JsonException;

/** What the server says aloud. A text that was spoken is kept for a while for whoever asked, so that no one learns by the clock what others had read. */
final readonly class Speech
{
    /** Characters of one text. */
    public const LONGEST = 400;

    /** So many texts, of so many bytes together, are kept; then what was used longest ago goes, down to half of that. */
    private const KEPT = 1_000;

    private const BYTES = 256 * 1024 * 1024;

    /** Seconds for one text. */
    private const SECONDS = 10;

    private const VOICES = 'voices that speak';

    /** @return list<string> tags of the languages that can be spoken; none where the program is not there */
    public function languages(): array
    {
        return array_map(strval(...), array_keys($this->voices()));
    }

    /** @return array<string, string> the voices as the program calls their files, by language */
    private function voices(): array
    {
        $known = Cache::get(self::VOICES);
        if (is_array($known)) {
            /** @var array<string, string> $known as it was put there */
            return $known;
        }
        preg_match_all('/^\s*\d+\s+([a-z]{2,3}(?:-[a-z0-9]{1,12}){0,5})\s+\S+\s+\S+\s+([a-z]{2,4}\/[A-Za-z0-9-]{2,40})\s/m', BoundedProgram::run(['espeak-ng', '--voices']) ?? '', $found);
        $voices = array_combine($found[1], $found[2]);
        if ($voices !== []) {
            Cache::forever(self::VOICES, $voices);
        }

        return $voices;
    }

    /**
     * @param  string  $for  who asks
     * @return SpokenText|null  null where it cannot be spoken
     */
    public function of(string $text, string $language, string $for): ?SpokenText
    {
        $voice = $this->voices()[$language] ?? null;
        if ($voice === null) {
            return null;
        }
        $kept = storage_path('app/speech/'.hash('sha256', "1 {$for} {$voice} {$text}"));
        $spoken = $this->read($kept);
        if ($spoken !== null) {
            @touch($kept);

            return $spoken;
        }
        $folder = storage_path('app/speaking/'.bin2hex(random_bytes(8)));
        File::ensureDirectoryExists($folder, 0o700);
        File::ensureDirectoryExists(dirname($kept), 0o700);
        try {
            file_put_contents("{$folder}/text", $text);
            $words = BoundedProgram::run(['php', '-d', 'ffi.enable=1', base_path('bin/speak'), $voice, $folder], $folder, self::SECONDS);
            if ($words === null) {
                return null;
            }
            file_put_contents("{$folder}/kept", $words."\n".@file_get_contents("{$folder}/sound"));
            $spoken = $this->read("{$folder}/kept");
            if ($spoken !== null && @rename("{$folder}/kept", $kept)) {
                $this->prune(dirname($kept));
            }

            return $spoken;
        } finally {
            File::deleteDirectory($folder);
        }
    }

    /** A line of JSON with the words, and then the sound. */
    private function read(string $file): ?SpokenText
    {
        $bytes = is_file($file) ? (string) @file_get_contents($file) : '';
        $at = strpos($bytes, "\n");
        if ($at === false) {
            return null;
        }
        try {
            /** @var list<array{int, int, int}> $words as bin/speak wrote them */
            $words = json_decode(substr($bytes, 0, $at), true, 4, JSON_THROW_ON_ERROR);
        } catch (JsonException) {
            return null;
        }

        return new SpokenText(substr($bytes, $at + 1), $words);
    }

    private function prune(string $folder): void
    {
        $files = array_map(fn (string $file): array => [(int) @filemtime($file), (int) @filesize($file), $file], glob("{$folder}/*") ?: []);
        $bytes = array_sum(array_column($files, 1));
        if (count($files) <= self::KEPT && $bytes <= self::BYTES) {
            return;
        }
        sort($files);
        [$count, $left] = [count($files), $bytes];
        foreach ($files as [, $size, $file]) {
            if ($count <= self::KEPT / 2 && $left <= self::BYTES / 2) {
                return;
            }
            @unlink($file);
            $count--;
            $left -= $size;
        }
    }
}
