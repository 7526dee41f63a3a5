<?php

declare(strict_types=1);

namespace ChalkTree\Ask;

use ChalkTree\Edit\Arguments;
use ChalkTree\Edit\Wording;

/** Whether a topic stands below another, at any depth: {"ask": "below", "topic": "01…"}. */
final readonly class AskPlace implements Question
{
    private function __construct(private string $top)
    {
    }

    public static function name(): string
    {
        return 'below';
    }

    public static function read(Arguments $from): self
    {
        return new self($from->id('topic'));
    }

    public function holds(Moment $now, string $topic): bool
    {
        return $topic !== $this->top && $now->map->isWithin($topic, $this->top);
    }

    public function words(Moment $now): string
    {
        $top = $now->map->find($this->top);

        return 'below '.($top === null ? 'a topic that has gone' : Wording::excerpt($top->title));
    }

    public function hangsOn(): HangsOn
    {
        return HangsOn::Above;
    }
}
