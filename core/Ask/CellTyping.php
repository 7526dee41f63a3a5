<?php

declare(strict_types=1);

namespace ChalkTree\Ask;

use Closure;

/** How what is told in a column is typed: in which form, out of which words, and by which edits it comes to be. */
final readonly class CellTyping
{
    /**
     * @param  string  $form  "line", "text", "number", "day", "days", "time", "yes", "choice", "choices" or "people"
     * @param  Closure(string): string  $typed  what one would type for what a topic has; empty for nothing
     * @param  Closure(string, string, string): list<array<string, mixed>>  $edits  of a topic, what was typed (empty for nothing) and the day: the edits as on the wire
     * @param  list<string>  $choices  what can be chosen; all else is refused for "choice" and "choices"
     */
    public function __construct(public string $form, private Closure $typed, private Closure $edits, public array $choices = [])
    {
    }

    public function typed(string $topic): string
    {
        return ($this->typed)($topic);
    }

    /**
     * @return list<array<string, mixed>> each with its "name"; none where nothing changes
     *
     * @throws \ChalkTree\Edit\InvalidEdit  with a sentence that says what is wanted
     */
    public function edits(string $topic, string $typed, string $today): array
    {
        return trim($typed) === trim($this->typed($topic)) ? [] : ($this->edits)($topic, $typed, $today);
    }
}
