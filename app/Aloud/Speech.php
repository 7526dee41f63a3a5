<?php

declare(strict_types=1);

namespace App\Aloud;

use App\Limits\BoundedProgram;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\File;
use JsonException;

/** What the server says aloud. A text that was spoken is kept for a while, as classes read the same. */
final readonly class Speech
{
    /** Characters of one text. */
    public const LONGEST = 600;

    /** So many texts are kept; then the older half goes. */
    private const KEPT = 1_000;

    /** Seconds for one text. */
    private const SECONDS = 10;

    private const VOICES = 'speech voices';

    /** @return list<string> tags of the languages that can be spoken; none where the program is not there */
    public function languages(): array
    {
        $known = Cache::get(self::VOICES);
        if (is_array($known)) {
            return array_values(array_filter($known, is_string(...)));
        }
        preg_match_all('/^\s*\d+\s+([a-z]{2,3}(?:-[a-z0-9]{1,12}){0,5})\s/m', BoundedProgram::run(['espeak-ng', '--voices']) ?? '', $found);
        $languages = array_values(array_unique($found[1]));
        if ($languages !== []) {
            Cache::forever(self::VOICES, $languages);
        }

        return $languages;
    }

    /** @return SpokenText|null  null where it cannot be spoken */
    public function of(string $text, string $language): ?SpokenText
    {
        $kept = storage_path('app/speech/'.hash('sha256', "1 {$language} {$text}"));
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
            $words = BoundedProgram::run(['php', '-d', 'ffi.enable=1', base_path('bin/speak'), $language, $folder], $folder, self::SECONDS);
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
        $files = glob("{$folder}/*") ?: [];
        if (count($files) > self::KEPT) {
            usort($files, fn (string $a, string $b): int => (int) @filemtime($a) <=> (int) @filemtime($b));
            foreach (array_slice($files, 0, intdiv(self::KEPT, 2)) as $file) {
                @unlink($file);
            }
        }
    }
}
