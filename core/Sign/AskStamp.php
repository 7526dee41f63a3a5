<?php

declare(strict_types=1);

namespace ChalkTree\Sign;

use ChalkTree\Ask\HangsOn;
use ChalkTree\Ask\Moment;
use ChalkTree\Ask\Question;
use ChalkTree\Edit\Arguments;

/** Whether a topic has a stamp: {"ask": "stamp", "is": "stamp:done"}. */
final readonly class AskStamp implements Question
{
    private function __construct(private string $sign)
    {
    }

    public static function name(): string
    {
        return 'stamp';
    }

    public static function read(Arguments $from): self
    {
        $sign = $from->string('is');

        return Sign::sort($sign) === 'stamp' && Sign::isName($sign) ? new self($sign) : throw $from->wrong('is', 'Name a stamp such as “stamp:idea”.');
    }

    public function holds(Moment $now, string $topic): bool
    {
        return in_array($this->sign, $now->row(TopicStamps::class, $topic)?->signs() ?? [], true);
    }

    public function words(Moment $now): string
    {
        $meaning = $now->map->row(Meaning::type(), Meaning::idOf($this->sign));

        return 'stamp '.($meaning instanceof Meaning && $meaning->text('means') !== '' ? $meaning->text('means') : Sign::words($this->sign));
    }

    public function hangsOn(): HangsOn
    {
        return HangsOn::Itself;
    }
}
