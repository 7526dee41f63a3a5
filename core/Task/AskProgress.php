<?php

declare(strict_types=1);

namespace ChalkTree\Task;

use ChalkTree\Ask\HangsOn;
use ChalkTree\Ask\LeavesTraces;
use ChalkTree\Ask\Measuring;
use ChalkTree\Ask\Moment;
use ChalkTree\Ask\Said;
use ChalkTree\Ask\Traces;
use ChalkTree\Edit\Arguments;

/** How far a to-do is, or what is below a topic: {"ask": "progress", "how": "over", "than": 50}. */
final readonly class AskProgress implements LeavesTraces
{
    private function __construct(private Measuring $how, private int $than)
    {
    }

    public static function name(): string
    {
        return 'progress';
    }

    public static function read(Arguments $from): self
    {
        return new self(Measuring::read($from), $from->int('than', 0, 100));
    }

    public function holds(Moment $now, string $topic): bool
    {
        $progress = Tasks::at($now)->progress($topic);

        return $progress !== null && $this->how->holds(round($progress), (float) $this->than);
    }

    public static function heard(Said $said, Moment $now): ?array
    {
        $how = $said->takes('progress') ? Measuring::heard($said) : null;
        $than = $how === null ? null : $said->number();

        return $than === null ? null : ['ask' => self::name(), 'how' => $how->value, 'than' => (int) round($than)];
    }

    public static function offers(Moment $now): iterable
    {
        return ['progress under 50 %', 'progress over 50 %'];
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
        return "progress {$this->how->words()} {$this->than} %";
    }

    public function hangsOn(): HangsOn
    {
        return HangsOn::Itself;
    }
}
