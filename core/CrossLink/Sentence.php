<?php

declare(strict_types=1);

namespace ChalkTree\CrossLink;

/** A proposition of a concept map: two topics and the phrase that makes a sentence of them. */
final readonly class Sentence
{
    public string $phrase;

    /**
     * @param  string  $first  what the topic says that it begins with, in plain words on one line
     * @param  string  $last  what the one says that it ends with
     * @param  bool  $isRepeated  whether another says the same
     */
    public function __construct(public Proposition $proposition, public string $first, public string $last, public bool $isRepeated)
    {
        $this->phrase = $proposition->phrase;
    }

    public function isMissingPhrase(): bool
    {
        return $this->phrase === '';
    }

    /** As it is read out: one space between its parts, the article before the second topic once and as that begins, a capital and a full stop. */
    public function text(): string
    {
        $phrase = $this->phrase === '' ? '…' : $this->phrase;
        if (preg_match('/^(.*?)\b(an?|the)$/isuD', $phrase, $ends) === 1) {
            $hasOwn = preg_match('/^(?:an?|the)\s/iu', $this->last) === 1;
            $phrase = $ends[1].($hasOwn ? '' : (mb_strtolower($ends[2]) === 'the' ? $ends[2] : (self::takesAn($this->last) ? 'an' : 'a')));
        }
        $text = trim((string) preg_replace('/\s+/u', ' ', "{$this->first} {$phrase} {$this->last}"));

        return mb_strtoupper(mb_substr($text, 0, 1)).mb_substr($text, 1).(preg_match('/[.!?…]$/u', $text) === 1 ? '' : '.');
    }

    /** What begins as it is spoken with a vowel, so far as English spelling tells. */
    private static function takesAn(string $word): bool
    {
        return preg_match('/^(?:(?:hour|honest|honou?r|heir)|(?!one\b|once\b|uni(?!n)|us[aeiu]|eu|ewe|u[kt][ie])[aeiou])/iu', $word) === 1;
    }

    /** Whether both say the same, whatever capitals and spaces they are written with. */
    public function sameness(): string
    {
        return mb_strtolower(implode("\t", array_map(fn (string $part): string => trim((string) preg_replace('/\s+/u', ' ', $part)), [$this->first, $this->phrase, $this->last])));
    }
}
