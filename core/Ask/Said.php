<?php

declare(strict_types=1);

namespace ChalkTree\Ask;

use ChalkTree\Text\Sameness;

/**
 * What a person types to say which topics are meant, word by word, with the place up to which it has been understood.
 * Quotes, straight or curly, hold words together, and curly ones straight ones too; brackets are words of their own.
 */
final class Said
{
    /** Letters that are listened to. */
    public const LONGEST = 1_000;

    /** Words that a name is tried with. */
    private const LONGEST_NAME = 8;

    /** @var list<array{text: string, key: string, from: int, to: int, isQuoted: bool}> places in bytes */
    private array $words = [];

    private int $at = 0;

    public function __construct(public readonly string $text, public readonly string $today)
    {
        preg_match_all('/[()]|“(?<curly>[^“”]*)”|["“”](?<any>[^"“”]*)(?:["“”]|$)|[^\s()"“”]+/u', $text, $all, PREG_OFFSET_CAPTURE | PREG_SET_ORDER);
        foreach ($all as $match) {
            [$word, $from] = $match[0];
            // What is quoted to the end of what is said has no blanks behind it.
            $word = rtrim($word);
            $quoted = array_filter([$match['curly'] ?? ['', -1], $match['any'] ?? ['', -1]], fn (array $one): bool => $one[1] >= 0);
            $isQuoted = $quoted !== [];
            $inside = $isQuoted ? trim(reset($quoted)[0]) : $word;
            if ($inside !== '') {
                $this->words[] = ['text' => $inside, 'key' => $isQuoted ? '' : mb_strtolower($word), 'from' => $from, 'to' => $from + strlen($word), 'isQuoted' => $isQuoted];
            }
        }
    }

    /** Which word comes next; what was understood in vain is taken back by handing it to back(). */
    public function at(): int
    {
        return $this->at;
    }

    public function back(int $at): void
    {
        $this->at = $at;
    }

    public function isAtEnd(): bool
    {
        return $this->at >= count($this->words);
    }

    /** Takes these words, if they come next, not within quotes. */
    public function takes(string $words): bool
    {
        $keys = explode(' ', $words);
        foreach ($keys as $i => $key) {
            if (($this->words[$this->at + $i]['key'] ?? '') !== $key) {
                return false;
            }
        }
        $this->at += count($keys);

        return true;
    }

    /**
     * Takes the longest of some forms of words that comes next.
     *
     * @param  array<array-key, string>  $forms
     * @return string|null  its key
     */
    public function takesOneOf(array $forms): ?string
    {
        uasort($forms, fn (string $a, string $b): int => substr_count($b, ' ') <=> substr_count($a, ' '));
        foreach ($forms as $key => $words) {
            if ($this->takes(mb_strtolower($words))) {
                return (string) $key;
            }
        }

        return null;
    }

    /** Takes the next word, or what stands in quotes; null where none comes. */
    public function word(): ?string
    {
        $word = $this->words[$this->at] ?? null;
        if ($word === null || (! $word['isQuoted'] && in_array($word['text'], ['(', ')'], true))) {
            return null;
        }
        $this->at++;

        return $word['text'];
    }

    /**
     * Takes the longest name that comes next, whatever its case.
     *
     * @param  array<string, string>  $keys  what each name stands for, by Sameness::key()
     * @return string|null  what it stands for
     */
    public function name(array $keys): ?string
    {
        for ($count = min(self::LONGEST_NAME, count($this->words) - $this->at); $count > 0; $count--) {
            $found = $this->isWhole($this->at, $this->at + $count) ? $keys[Sameness::key($this->between($this->at, $this->at + $count))] ?? null : null;
            if ($found !== null) {
                $this->at += $count;

                return $found;
            }
        }

        return null;
    }

    /** Whether every bracket that opens in some words closes there, and none else does. */
    private function isWhole(int $from, int $until): bool
    {
        $open = 0;
        for ($i = $from; $i < $until && $open >= 0; $i++) {
            $open += ['(' => 1, ')' => -1][$this->words[$i]['key']] ?? 0;
        }

        return $open === 0;
    }

    /** Takes a number, with a sign of percent behind it where there is one. */
    public function number(): ?float
    {
        $word = $this->words[$this->at]['text'] ?? '';
        if (preg_match('/^-?\d{1,12}([.,]\d{1,6})?(%?)$/D', $word) !== 1) {
            return null;
        }
        $this->at++;
        $this->takes('%');

        return (float) str_replace(',', '.', rtrim($word, '%'));
    }

    /** Takes a day or a span of days, as Days::span() knows them: "this week", "7 days ago", "in 2 weeks", "5 Dec". */
    public function span(): ?string
    {
        for ($count = min(4, count($this->words) - $this->at); $count > 0; $count--) {
            $words = mb_strtolower($this->between($this->at, $this->at + $count));
            $span = Days::spanOf($words, $this->today);
            if ($span !== null) {
                $this->at += $count;

                return $span;
            }
        }

        return null;
    }

    /**
     * What was said in some words, as it was typed; without its quotes where it is nothing but that.
     *
     * @param  int  $until  the word behind them
     */
    public function between(int $from, int $until): string
    {
        if ($until <= $from) {
            return '';
        }

        return $until === $from + 1 ? $this->words[$from]['text'] : substr($this->text, $this->words[$from]['from'], $this->words[$until - 1]['to'] - $this->words[$from]['from']);
    }

    /**
     * Where some words stand.
     *
     * @return array{int, int} in bytes, the second behind them
     */
    public function place(int $from, int $until): array
    {
        return [$this->words[$from]['from'], $this->words[$until - 1]['to']];
    }
}
