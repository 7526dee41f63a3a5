<?php

declare(strict_types=1);

namespace Tests\Support;

use Random\Engine\Mt19937;
use Random\Randomizer;

/** A source of random maps and texts that a seed repeats. */
final class Chance
{
    private const WORDS = [
        'lantern', 'harbour', 'procession', 'boat', 'quay', 'ferry', 'rope', 'tide', 'permit', 'choir', 'stall', 'market',
        'Évora', 'naïve', 'señor', '灯笼', 'פנס', 'фонарь', 'ランタン', '🏮', 'e'."\u{301}".'tude', 'x', '42', 'a-b', 'and/or',
    ];

    private const SIGNS = ['*', '**', '_', '~~', '`', '[', ']', '(', ')', '<u>', '</u>', '\\', '&amp;', '&', '<', '#', '-', '1.', '"', "'", '!', '>'];

    private readonly Randomizer $random;

    public function __construct(public readonly int $seed)
    {
        $this->random = new Randomizer(new Mt19937($seed));
    }

    public function int(int $least, int $most): int
    {
        return $this->random->getInt($least, $most);
    }

    public function yes(int $percent): bool
    {
        return $this->int(1, 100) <= $percent;
    }

    /**
     * @template T
     *
     * @param  non-empty-array<T>  $from
     * @return T
     */
    public function pick(array $from): mixed
    {
        $values = array_values($from);

        return $values[$this->int(0, count($values) - 1)];
    }

    /** Words, now and then none, many, or one that is far too long. */
    public function words(int $most = 8): string
    {
        if ($this->yes(3)) {
            return str_repeat($this->pick(self::WORDS), $this->int(5, 30));
        }
        $words = [];
        for ($n = $this->int(0, $this->yes(5) ? 60 : $most); $n > 0; $n--) {
            $words[] = $this->pick(self::WORDS);
        }

        return implode(' ', $words);
    }

    /** A title as a person might leave it: words, signs in any order, line breaks. */
    public function title(): string
    {
        $text = $this->words();
        if ($this->yes(25)) {
            $text = $this->formatted($text);
        }
        if ($this->yes(25)) {
            for ($n = $this->int(1, 6); $n > 0; $n--) {
                $text .= ($this->yes(50) ? ' ' : '').$this->pick(self::SIGNS).$this->pick(self::WORDS);
            }
        }
        if ($this->yes(10) && $text !== '' && ! str_contains($text, '`')) {
            $text .= "\n".$this->pick(self::WORDS);
        }

        return trim($text);
    }

    public function note(): string
    {
        $paragraphs = [];
        for ($n = $this->int(0, 3); $n > 0; $n--) {
            $paragraphs[] = $this->yes(20)
                ? $this->pick(["# {$this->word()}", "- {$this->word()}\n- {$this->word()}", "> {$this->word()}", "```\n# {$this->word()}\n```", "1. {$this->word()}", "<small>{$this->word()}</small>", "    {$this->word()}"])
                : $this->word().' '.trim($this->words(20));
        }

        return trim(implode("\n\n", $paragraphs), "\n");
    }

    public function word(): string
    {
        return $this->pick(self::WORDS);
    }

    private function formatted(string $text): string
    {
        $sign = $this->pick(['**', '*', '~~', '`']);

        return "{$sign}{$this->word()}{$sign} {$text} <u>{$this->word()}</u>";
    }
}
