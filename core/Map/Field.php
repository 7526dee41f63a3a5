<?php

declare(strict_types=1);

namespace ChalkTree\Map;

use ChalkTree\Edit\Arguments;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Edit\Wording;
use Closure;

/** One field of a row of a feature: what it may hold, and what it holds where nothing was said. */
final readonly class Field
{
    /** Of longer texts the beginning is what can be asked for. */
    private const LONGEST_ASKED = 200;

    /**
     * @param  list<string>  $words
     * @param  (Closure(string): bool)|null  $isRight
     */
    private function __construct(
        private string $sort,
        public int|string|bool|null $blank = null,
        private int $least = 0,
        private int $most = 0,
        private array $words = [],
        private ?Closure $isRight = null,
        public ?string $called = null,
        public bool $isAsked = false,
    ) {
    }

    /** The id of a topic that the row is about; without all of them the row counts as gone. */
    public static function topic(): self
    {
        return new self('topic');
    }

    /** Text that a person wrote, found and replaced like that of topics; plain, with line breaks. */
    public static function text(int $longest): self
    {
        return new self('text', '', most: $longest);
    }

    /** A whole number, or null. */
    public static function number(int $least, int $most): self
    {
        return new self('number', null, $least, $most);
    }

    /** A whole number that is always there. */
    public static function whole(int $least, int $most, int $blank): self
    {
        return new self('whole', $blank, $least, $most);
    }

    /**
     * Text of a form of its own, or null.
     *
     * @param  Closure(string): bool  $isRight
     * @param  string  $form  how it has to be, as the end of a sentence
     */
    public static function formed(Closure $isRight, int $longest, string $form): self
    {
        return new self('formed', null, most: $longest, words: [$form], isRight: $isRight);
    }

    /** What it is called in the middle of a sentence, where that is not what its row is called. */
    public function called(string $words): self
    {
        return new self($this->sort, $this->blank, $this->least, $this->most, $this->words, $this->isRight, $words, $this->isAsked);
    }

    /** Lets it be asked for across maps; see Fact. */
    public function asked(): self
    {
        return new self($this->sort, $this->blank, $this->least, $this->most, $this->words, $this->isRight, $this->called, true);
    }

    /** A day as YYYY-MM-DD, or null. */
    public static function day(): self
    {
        return new self('day', null, most: 10, words: ['be a day as YYYY-MM-DD'], isRight: fn (string $day): bool => preg_match('/^(\d{4})-(\d\d)-(\d\d)$/D', $day, $m) === 1 && checkdate((int) $m[2], (int) $m[3], (int) $m[1]));
    }

    public static function flag(): self
    {
        return new self('flag', false);
    }

    /**
     * One of some words, or null.
     *
     * @param  non-empty-list<string>  $words
     */
    public static function choice(array $words): self
    {
        return new self('choice', null, words: $words);
    }

    public function isTopic(): bool
    {
        return $this->sort === 'topic';
    }

    public function isText(): bool
    {
        return $this->sort === 'text';
    }

    /** @throws InvalidEdit where it is of the wrong form */
    public function read(Arguments $from, string $key): int|string|bool|null
    {
        return match ($this->sort) {
            'topic' => $from->id($key),
            'text' => $this->readText($from, $key),
            'number' => $from->intOrNull($key, $this->least, $this->most),
            'whole' => $from->int($key, $this->least, $this->most),
            'formed', 'day' => $this->readFormed($from, $key),
            'flag' => $from->bool($key),
            default => $from->isNull($key) ? null : $from->oneOf($key, $this->words === [] ? [''] : $this->words),
        };
    }

    /**
     * A value as it comes from where it was kept.
     */
    public function kept(mixed $value): int|string|bool|null
    {
        return match (true) {
            ! is_scalar($value) => $this->blank,
            $this->sort === 'number', $this->sort === 'whole' => (int) $value,
            $this->sort === 'flag' => (bool) $value,
            // Another version may have known a word that this one does not.
            $this->sort === 'choice' && ! in_array($value, $this->words, true), $this->isRight !== null && ! ($this->isRight)((string) $value) => $this->blank,
            default => (string) $value,
        };
    }

    /** The value that it holds, as a fact. */
    public function fact(string $topic, string $field, int|float|string|bool|null $value): Fact
    {
        return match ($this->sort) {
            'number', 'whole', 'flag' => new Fact($topic, $field, number: (int) $value),
            'day' => new Fact($topic, $field, date: (string) $value),
            default => new Fact($topic, $field, text: mb_substr((string) $value, 0, self::LONGEST_ASKED)),
        };
    }

    /** @return array<string, mixed> its piece of the wire's schema */
    public function schema(): array
    {
        return match ($this->sort) {
            'topic', 'text' => ['type' => 'string'],
            'number' => ['type' => ['integer', 'null'], 'minimum' => $this->least, 'maximum' => $this->most],
            'whole' => ['type' => 'integer', 'minimum' => $this->least, 'maximum' => $this->most],
            'formed', 'day' => ['type' => ['string', 'null'], 'maxLength' => $this->most],
            'flag' => ['type' => 'boolean'],
            default => ['enum' => [...$this->words, null]],
        };
    }

    private function readFormed(Arguments $from, string $key): ?string
    {
        $text = $from->isNull($key) ? null : $from->string($key);
        if ($text !== null && (strlen($text) > $this->most || $this->isRight === null || ! ($this->isRight)($text))) {
            throw $from->wrong($key, "“{$key}” has to {$this->words[0]}, or be null.");
        }

        return $text;
    }

    private function readText(Arguments $from, string $key): string
    {
        $text = Wording::clean($from->string($key), $key);
        if (mb_strlen($text) > $this->most) {
            throw $from->wrong($key, 'This holds at most '.number_format($this->most).' characters.');
        }

        return $text;
    }
}
