<?php

declare(strict_types=1);

namespace ChalkTree\Task;

use ChalkTree\Ask\HangsOn;
use ChalkTree\Ask\Measuring;
use ChalkTree\Ask\Moment;
use ChalkTree\Ask\Question;
use ChalkTree\Edit\Arguments;

/** How far a to-do is, or what is below a topic: {"ask": "progress", "how": "over", "than": 50}. */
final readonly class AskProgress implements Question
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

    public function words(Moment $now): string
    {
        return "progress {$this->how->words()} {$this->than} %";
    }

    public function hangsOn(): HangsOn
    {
        return HangsOn::Itself;
    }
}
