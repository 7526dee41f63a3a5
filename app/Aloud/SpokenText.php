<?php

declare(strict_types=1);

namespace App\Aloud;

/** A text that was spoken. */
final readonly class SpokenText
{
    /**
     * @param  string  $sound  a WAV file
     * @param  list<array{int, int, int}>  $words  where each begins in the text, how long it is there, both in characters, and when it is spoken, in milliseconds
     */
    public function __construct(public string $sound, public array $words)
    {
    }

    /** A WAV file of samples of 16 bits, one channel; see RIFF WAVE. */
    public static function wave(string $samples, int $rate): string
    {
        return 'RIFF'.pack('V', 36 + strlen($samples)).'WAVEfmt '.pack('VvvVVvv', 16, 1, 1, $rate, 2 * $rate, 2, 16).'data'.pack('V', strlen($samples)).$samples;
    }

    /**
     * The words by UTF-16 code units, as browsers count.
     *
     * @return list<array{int, int, int}>
     */
    public function wordsIn(string $text): array
    {
        $units = fn (int $from, int $count): int => intdiv(strlen(mb_convert_encoding(mb_substr($text, $from, $count), 'UTF-16LE', 'UTF-8')), 2);

        return array_map(fn (array $word): array => [$units(0, max(0, $word[0])), $units(max(0, $word[0]), $word[1]), $word[2]], $this->words);
    }
}
