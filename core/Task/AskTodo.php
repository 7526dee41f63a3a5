<?php

declare(strict_types=1);

namespace ChalkTree\Task;

use ChalkTree\Ask\HangsOn;
use ChalkTree\Ask\Moment;
use ChalkTree\Ask\Question;
use ChalkTree\Edit\Arguments;

/** How a to-do stands: {"ask": "todo", "is": "overdue"}. "gathers" is what has to-dos below. */
final readonly class AskTodo implements Question
{
    private const STATES = ['any', 'open', 'doing', 'done', 'not-done', 'gathers'];

    private function __construct(private string $is)
    {
    }

    public static function name(): string
    {
        return 'todo';
    }

    public static function read(Arguments $from): self
    {
        return new self($from->oneOf('is', [...self::STATES, ...array_column(Finding::cases(), 'value')]));
    }

    public function holds(Moment $now, string $topic): bool
    {
        $tasks = Tasks::at($now);
        $finding = Finding::tryFrom($this->is);
        if ($finding !== null) {
            return $tasks->isFound($finding, $topic);
        }

        return match ($this->is) {
            'any' => Tasks::is($now->map, $topic),
            'gathers' => $tasks->gathers($topic),
            'not-done' => in_array($tasks->state($topic), ['open', 'doing'], true),
            default => $tasks->state($topic) === $this->is,
        };
    }

    public function words(Moment $now): string
    {
        return Finding::tryFrom($this->is)?->words() ?? match ($this->is) {
            'any' => 'a to-do',
            'doing' => 'under way',
            'not-done' => 'not done',
            'gathers' => 'has to-dos below',
            default => $this->is,
        };
    }

    public function hangsOn(): HangsOn
    {
        return Finding::tryFrom($this->is)?->hangsOn() ?? HangsOn::Itself;
    }
}
