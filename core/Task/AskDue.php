<?php

declare(strict_types=1);

namespace ChalkTree\Task;

use ChalkTree\Ask\Days;
use ChalkTree\Ask\HangsOn;
use ChalkTree\Ask\Measuring;
use ChalkTree\Ask\Moment;
use ChalkTree\Ask\Question;
use ChalkTree\Edit\Arguments;

/** A day of a to-do, held against a day or a span: {"ask": "due", "of": "by", "how": "under", "than": "today+14"}. */
final readonly class AskDue implements Question
{
    private function __construct(private string $of, private Measuring $how, private string $than)
    {
    }

    public static function name(): string
    {
        return 'due';
    }

    public static function read(Arguments $from): self
    {
        $than = $from->string('than');

        return new self($from->has('of') ? $from->oneOf('of', ['by', 'begins', 'done']) : 'by', Measuring::read($from), Days::isSpan($than) ? $than : throw $from->wrong('than', 'Name a day as YYYY-MM-DD, or “today”, “today+7”, “this-week”, “next-month” and so on.'));
    }

    public function holds(Moment $now, string $topic): bool
    {
        $day = $now->row(Task::class, $topic)?->text($this->of) ?? '';
        [$first, $last] = $day === '' ? ['', ''] : Days::span($this->than, $now->today);

        return $day !== '' && match ($this->how) {
            Measuring::Under => $day < $first,
            Measuring::Over => $day > $last,
            Measuring::Is => $day >= $first && $day <= $last,
        };
    }

    public function words(Moment $now): string
    {
        return ($this->of === 'by' ? 'due' : $this->of).' '.$this->how->words(isDay: true).' '.Days::spanWords($this->than);
    }

    public function hangsOn(): HangsOn
    {
        return HangsOn::Itself;
    }
}
