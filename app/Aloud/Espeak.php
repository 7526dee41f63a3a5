<?php

declare(strict_types=1);

namespace App\Aloud;

use FFI;
use FFI\CData;
use RuntimeException;

/**
 * The speech of espeak-ng, by its library, since its program does not tell when each word is spoken. Only ever used in a process
 * of its own; see bin/speak. The declarations are those of speak_lib.h of espeak-ng 1.51.
 */
final class Espeak
{
    private const LIBRARY = 'libespeak-ng.so.1';

    private const DECLARED = <<<'C'
        typedef struct { int type; unsigned int unique; int text_position; int length; int audio_position; int sample; void *user; union { int number; const char *name; char string[8]; } id; } espeak_EVENT;
        typedef int (*t_espeak_callback)(short *wav, int count, espeak_EVENT *events);
        int espeak_Initialize(int output, int buffer, const char *path, int options);
        void espeak_SetSynthCallback(t_espeak_callback callback);
        int espeak_SetVoiceByName(const char *name);
        int espeak_SetParameter(int parameter, int value, int relative);
        int espeak_Synth(const char *text, size_t size, unsigned int position, int type, unsigned int end, unsigned int flags, unsigned int *unique, void *user);
        int espeak_Synchronize(void);
        int espeak_Terminate(void);
        C;

    /** Sound is given back as it is made, not played; nothing is written to standard error. */
    private const SYNCHRONOUS = 2;

    private const DONT_EXIT = 0x8000;

    /** Sorts of events. */
    private const LIST_ENDS = 0;

    private const WORD = 1;

    private const RATE = 1;

    /** UTF-8, and neither marks of SSML nor phonemes in brackets. */
    private const PLAIN = 1;

    /** Words a minute, where nothing else is wanted; listeners set their speed themselves. */
    private const USUAL = 165;

    /**
     * @param  string  $voice  as espeak-ng calls its file, "gmw/en"
     *
     * @throws RuntimeException where the library or the voice is not there
     */
    public static function say(string $text, string $voice): SpokenText
    {
        $library = FFI::cdef(self::DECLARED, self::LIBRARY);
        $call = fn (string $name, mixed ...$arguments): mixed => $library->{"espeak_{$name}"}(...$arguments);
        $rate = $call('Initialize', self::SYNCHRONOUS, 0, null, self::DONT_EXIT);
        if (! is_int($rate) || $rate <= 0 || $call('SetVoiceByName', $voice) !== 0) {
            throw new RuntimeException("There is no voice called {$voice}.");
        }
        $samples = '';
        $words = [];
        $call('SetSynthCallback', function (?CData $wave, int $count, CData $events) use (&$samples, &$words): int {
            if ($wave !== null && $count > 0) {
                $samples .= FFI::string($wave, 2 * $count);
            }
            for ($i = 0; $events[$i]->type !== self::LIST_ENDS; $i++) {
                if ($events[$i]->type === self::WORD) {
                    $words[] = [$events[$i]->text_position - 1, $events[$i]->length, $events[$i]->audio_position];
                }
            }

            return 0;
        });
        $call('SetParameter', self::RATE, self::USUAL, 0);
        $call('Synth', $text, strlen($text) + 1, 0, 1, 0, self::PLAIN, null, null);
        $call('Synchronize');
        // The library keeps a thread of its own waiting, which must have ended before the library goes from memory with this object.
        $call('Terminate');

        return new SpokenText(SpokenText::wave($samples, $rate), $words);
    }
}
