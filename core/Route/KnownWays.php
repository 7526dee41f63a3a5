<?php

declare(strict_types=1);

namespace ChalkTree\Route;

/**
 * Lines as they were found the last time, with what was seen around them then: where all of that is as it was, the line
 * is too, and need not be looked for.
 *
 * @phpstan-import-type Question from Surroundings
 *
 * @phpstan-type Known array{key: string, asked: list<Question>, line: array<string, mixed>}
 */
final class KnownWays
{
    /** @var array<string, Known> what is still so, by the id of the line */
    private array $now = [];

    /** @param  array<string, Known>  $before  by the id of the line */
    public function __construct(private readonly array $before = [])
    {
    }

    /** @param  string|null  $kept  as kept() gave it; null where nothing is known */
    public static function from(?string $kept): self
    {
        /** @var array<string, Known>|false $before */
        $before = $kept === null ? [] : unserialize($kept, ['allowed_classes' => false]);

        return new self($before === false ? [] : $before);
    }

    /** What is known of the lines that were asked for since; null where that is nothing. */
    public function kept(): ?string
    {
        return $this->now === [] ? null : serialize($this->now);
    }

    /**
     * A line as it was, if it is to be found from the same again.
     *
     * @param  string  $key  of all that it is found from, but for what is around it
     * @return array<string, mixed>|null
     */
    public function recall(string $id, string $key, Surroundings $around): ?array
    {
        $known = $this->before[$id] ?? null;
        if ($known === null || $known['key'] !== $key || ! $around->answersAsBefore($known['asked'])) {
            return null;
        }
        $this->now[$id] = $known;

        return $known['line'];
    }

    /** @param  array<string, mixed>  $line */
    public function learn(string $id, string $key, Surroundings $around, array $line): void
    {
        $this->now[$id] = ['key' => $key, 'asked' => $around->asked(), 'line' => $line];
    }
}
