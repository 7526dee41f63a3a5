<?php

declare(strict_types=1);

namespace ChalkTree\Ask;

use ChalkTree\Edit\Arguments;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Features;
use Closure;

/**
 * What is asked of a topic: questions, joined by and, or and not. Written as JSON: {"all": […]}, {"any": […]},
 * {"not": …}, or a question, {"ask": "stamp", "is": "stamp:done"}. An empty "all" holds of every topic, an empty "any" of none.
 */
final readonly class Condition
{
    /** Bytes of a condition as it is written. */
    public const LONGEST = 6_000;

    private const MOST_QUESTIONS = 60;

    private const DEEPEST = 8;

    /** @var list<class-string<Question>> those that are about topics as such */
    private const OWN = [AskText::class, AskLevel::class, AskPlace::class, AskHas::class, AskWho::class];

    /**
     * @param  string  $sort  "all", "any", "not" or "ask"
     * @param  list<self>  $parts
     */
    private function __construct(private string $sort, private array $parts, private ?Question $question = null)
    {
    }

    /** @throws InvalidEdit where it is of the wrong form */
    public static function read(Arguments $from): self
    {
        $left = self::MOST_QUESTIONS;

        return self::one($from, self::DEEPEST, $left);
    }

    /**
     * A condition as it is kept; null where it is none, or asks for something that this version does not know. What was
     * read once is remembered.
     */
    public static function of(string $json): ?self
    {
        /** @var array<string, self|null> $known */
        static $known = [];
        if (! array_key_exists($json, $known)) {
            $known = array_slice($known, -200, preserve_keys: true);
            try {
                $known[$json] = self::parsed($json);
            } catch (InvalidEdit) {
                $known[$json] = null;
            }
        }

        return $known[$json];
    }

    /** @throws InvalidEdit */
    private static function parsed(string $json): self
    {
        $data = strlen($json) > self::LONGEST ? null : json_decode($json, true, 2 * self::DEEPEST + 4);

        return is_array($data) ? self::read(new Arguments($data)) : throw new InvalidEdit('This is no condition.', 'when');
    }

    /**
     * A condition as it is kept, asking for no topics but those that are there.
     *
     * @param  Closure(string): bool  $isThere
     */
    public static function without(string $json, Closure $isThere): string
    {
        $isGone = fn (array $ask): bool => $ask['ask'] === AskPlace::name() && is_string($ask['topic'] ?? null) && ! $isThere($ask['topic']);

        return str_contains($json, '"'.AskPlace::name().'"') ? self::asking($json, fn (array $ask): array => $isGone($ask) ? ['any' => []] : $ask) : $json;
    }

    /**
     * A condition as it is kept, in which each question is asked otherwise.
     *
     * @param  Closure(array<mixed>): array<mixed>  $otherwise
     */
    public static function asking(string $json, Closure $otherwise): string
    {
        $data = json_decode($json, true);
        $walk = function (array $data) use (&$walk, $otherwise): array {
            return isset($data['ask']) ? $otherwise($data) : array_map(fn (mixed $part): mixed => is_array($part) ? $walk($part) : $part, $data);
        };

        return is_array($data) ? json_encode($walk($data), JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR) : $json;
    }

    /** @return array<string, class-string<Question>> by name */
    public static function questions(): array
    {
        $questions = [];
        foreach (self::OWN as $class) {
            $questions[$class::name()] = $class;
        }
        foreach (Features::all() as $feature) {
            foreach ($feature instanceof Asks ? $feature->questions() : [] as $class) {
                $questions[$class::name()] = $class;
            }
        }

        return $questions;
    }

    public function holds(Moment $now, string $topic): bool
    {
        if ($this->question !== null) {
            return $this->question->holds($now, $topic);
        }
        foreach ($this->parts as $part) {
            if ($part->holds($now, $topic) !== ($this->sort === 'all')) {
                return $this->sort === 'any';
            }
        }

        return $this->sort !== 'any';
    }

    /**
     * Whether a map can have topics of which it holds, as far as its traces tell.
     *
     * @param  Moment  $now  a map in which everything has its name that it asks for
     * @param  string  $traces  as Traces::of() gives them
     */
    public function mayHold(Moment $now, string $traces): bool
    {
        if ($this->question !== null) {
            $trace = $this->question instanceof LeavesTraces ? $this->question->trace($now) : null;

            return $trace === null || str_contains($traces, $trace);
        }
        if ($this->sort === 'not') {
            return true;
        }
        foreach ($this->parts as $part) {
            if ($part->mayHold($now, $traces) !== ($this->sort === 'all')) {
                return $this->sort === 'any';
            }
        }

        return $this->sort === 'all';
    }

    /** What it asks, in words. */
    public function words(Moment $now): string
    {
        if ($this->question !== null) {
            return $this->question->words($now);
        }
        $words = array_map(fn (self $part): string => count($part->parts) > 1 ? "({$part->words($now)})" : $part->words($now), $this->parts);

        return match ($this->sort) {
            // "not done" is a question of its own, and so may others be.
            'not' => Reading::isQuestion('not '.($words[0] ?? ''), $now) ? "not ({$words[0]})" : 'not '.($words[0] ?? ''),
            'all' => $words === [] ? 'every topic' : implode(' and ', $words),
            default => $words === [] ? 'no topic' : implode(' or ', $words),
        };
    }

    /** @return list<string> the words that it looks for */
    public function sought(): array
    {
        $sought = $this->question instanceof AskText ? [$this->question->has] : [];
        foreach ($this->sort === 'not' ? [] : $this->parts as $part) {
            array_push($sought, ...$part->sought());
        }

        return $sought;
    }

    /** @return list<HangsOn> */
    public function hangsOn(): array
    {
        $all = $this->question === null ? [] : [$this->question->hangsOn()];
        foreach ($this->parts as $part) {
            foreach ($part->hangsOn() as $one) {
                $all[] = $one;
            }
        }

        return array_values(array_unique($all, SORT_REGULAR));
    }

    private static function one(Arguments $from, int $deep, int &$left): self
    {
        if ($deep === 0 || --$left < 0) {
            throw new InvalidEdit('A condition has at most 60 parts, and is nested at most 8 deep.', 'when');
        }
        foreach (['all', 'any'] as $sort) {
            if ($from->has($sort)) {
                $parts = [];
                foreach ($from->nestedList($sort) as $part) {
                    $parts[] = self::one($part, $deep - 1, $left);
                }
                $from->refuseRest();

                return new self($sort, $parts);
            }
        }
        if ($from->has('not')) {
            $part = self::one($from->nested('not'), $deep - 1, $left);
            $from->refuseRest();

            return new self('not', [$part]);
        }
        $questions = self::questions();
        $class = $questions[$from->string('ask')] ?? throw $from->wrong('ask', 'A condition can ask for: '.implode(', ', array_keys($questions)).'.');
        $question = $class::read($from);
        $from->refuseRest();

        return new self('ask', [], $question);
    }
}
