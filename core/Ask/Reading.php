<?php

declare(strict_types=1);

namespace ChalkTree\Ask;

use ChalkTree\Edit\Arguments;
use ChalkTree\Edit\InvalidEdit;

/**
 * Understands which topics are meant where somebody says it in words: "kind Meeting and not done", "who Ines or tag press",
 * "not (has a picture)". What is no question is looked for as text. Whatever is typed is understood somehow, since it is
 * read with every letter: a bracket that is left open ends with the words, "and" and "or" with nothing beside them are
 * passed over.
 */
final class Reading
{
    private const DEEPEST = 6;

    /** @var list<Piece> */
    private array $pieces = [];

    private function __construct(private readonly Said $said, private readonly Moment $now)
    {
    }

    /** @throws InvalidEdit where more is asked than a condition can */
    public static function of(string $text, Moment $now): Heard
    {
        $reading = new self(new Said(mb_substr($text, 0, Said::LONGEST), $now->today), $now);
        $parts = [];
        // A bracket that closes nothing parts what is before it from what is behind it, and nothing else.
        while (! $reading->said->isAtEnd()) {
            $part = $reading->any(self::DEEPEST);
            $parts = $part === null ? $parts : [...$parts, $part];
            $reading->said->takes(')');
        }
        $asked = self::joined('all', $parts);

        return new Heard($reading->said->text, $asked, $asked === null ? null : Condition::read(new Arguments($asked)), $reading->pieces);
    }

    /** Whether words are one question, whole. */
    public static function isQuestion(string $words, Moment $now): bool
    {
        $reading = new self(new Said($words, $now->today), $now);

        return $reading->question() !== null && $reading->said->isAtEnd();
    }

    /** @return array<string, mixed>|null a condition as JSON would have it */
    private function any(int $deep): ?array
    {
        $parts = [];
        do {
            $part = $this->all($deep);
            $parts = $part === null ? $parts : [...$parts, $part];
        } while ($this->said->takes('or'));

        return self::joined('any', $parts);
    }

    /** @return array<string, mixed>|null */
    private function all(int $deep): ?array
    {
        $parts = [];
        do {
            while ($this->said->takes('and')) {
                // Nothing stands before it, or another one.
            }
            $at = $this->said->at();
            $part = $this->part($deep, null);
            $parts = $part === null ? $parts : [...$parts, $part];
        } while ($this->said->at() !== $at);

        return self::joined('all', $parts);
    }

    /**
     * @param  int|null  $turnedAt  the word "not" before it
     * @return array<string, mixed>|null
     */
    private function part(int $deep, ?int $turnedAt): ?array
    {
        $from = $this->said->at();
        if ($this->isParted()) {
            return null;
        }
        $asked = $this->question();
        if ($asked === null && $this->said->takes('not')) {
            $part = $deep > 0 ? $this->part($deep - 1, $from) : null;

            return $part === null ? null : ['not' => $part];
        }
        if ($asked === null && $this->said->takes('(')) {
            $part = $deep > 0 ? $this->any($deep - 1) : null;
            $this->said->takes(')');

            return $part;
        }
        $word = $asked === null ? $this->said->word() : null;
        $asked ??= $word === null ? null : ['ask' => AskText::name(), 'has' => mb_substr($word, 0, 200), 'in' => 'all'];
        if ($asked !== null) {
            $this->pieces[] = Piece::of($this->said, Condition::read(new Arguments($asked))->words($this->now), $from, $turnedAt, $word === null);
        }

        return $asked;
    }

    /** Whether what comes next belongs to what stands around. */
    private function isParted(): bool
    {
        $at = $this->said->at();
        $isParted = $this->said->isAtEnd() || $this->said->takes('or') || $this->said->takes('and') || $this->said->takes(')');
        $this->said->back($at);

        return $isParted;
    }

    /** @return array<string, mixed>|null the question that understands most of the words that come next */
    private function question(): ?array
    {
        $from = $this->said->at();
        foreach (['every topic' => ['all' => []], 'no topic' => ['any' => []]] as $words => $condition) {
            if ($this->said->takes($words)) {
                return $condition;
            }
        }
        [$best, $until] = [null, $from];
        foreach (Condition::questions() as $class) {
            $asked = $class::heard($this->said, $this->now);
            if ($asked !== null && $this->said->at() > $until) {
                [$best, $until] = [$asked, $this->said->at()];
            }
            $this->said->back($from);
        }
        $this->said->back($until);

        return $best;
    }

    /**
     * @param  list<array<string, mixed>>  $parts
     * @return array<string, mixed>|null
     */
    private static function joined(string $sort, array $parts): ?array
    {
        return count($parts) < 2 ? ($parts[0] ?? null) : [$sort => $parts];
    }
}
