<?php

declare(strict_types=1);

namespace ChalkTree\Task;

use ChalkTree\Ask\HangsOn;
use ChalkTree\Ask\LeavesTraces;
use ChalkTree\Ask\Moment;
use ChalkTree\Ask\Said;
use ChalkTree\Ask\Traces;
use ChalkTree\Edit\Arguments;

/** How a to-do stands: {"ask": "todo", "is": "overdue"}. "gathers" is what has to-dos below. */
final readonly class AskTodo implements LeavesTraces
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

    public static function heard(Said $said, Moment $now): ?array
    {
        $words = [];
        foreach ([...self::STATES, ...array_column(Finding::cases(), 'value')] as $is) {
            $words[$is] = (new self($is))->words($now);
        }
        $is = $said->takesOneOf($words);

        return $is === null ? null : ['ask' => self::name(), 'is' => $is];
    }

    public static function offers(Moment $now): iterable
    {
        foreach (['not-done', 'overdue', 'soon', 'doing', 'done', 'nobody', 'any', 'after-parent', 'before-time', 'gathers', 'open'] as $is) {
            yield (new self($is))->words($now);
        }
    }

    public static function namedBy(): array
    {
        return [];
    }

    public static function traces(Moment $now): iterable
    {
        return Tasks::areIn($now->map) ? [Task::TRACE] : [];
    }

    public function trace(Moment $now): string
    {
        return Traces::mark(Task::TRACE);
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
