<?php

declare(strict_types=1);

namespace ChalkTree\Task;

use ChalkTree\Ask\Days;
use ChalkTree\Ask\HangsOn;
use ChalkTree\Ask\LeavesTraces;
use ChalkTree\Ask\Measuring;
use ChalkTree\Ask\Moment;
use ChalkTree\Ask\Said;
use ChalkTree\Ask\Traces;
use ChalkTree\Edit\Arguments;

/** A day of a to-do, held against a day or a span: {"ask": "due", "of": "by", "how": "under", "than": "today+14"}. */
final readonly class AskDue implements LeavesTraces
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

        return new self($from->has('of') ? $from->oneOf('of', Task::DAYS) : 'by', Measuring::read($from), Days::isSpan($than) ? $than : throw $from->wrong('than', 'Name a day as YYYY-MM-DD, or “today”, “today+7”, “this-week”, “next-month” and so on.'));
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

    public static function heard(Said $said, Moment $now): ?array
    {
        $of = $said->takesOneOf(['by' => 'due', 'begins' => 'begins', 'done' => 'done']);
        $how = $of === null ? null : Measuring::heard($said);
        $than = $how === null ? null : $said->span();

        return $than === null ? null : ['ask' => self::name(), 'of' => $of, 'how' => $how->value, 'than' => $than];
    }

    public static function offers(Moment $now): iterable
    {
        return ['due this week', 'due next week', 'due this month', 'due this quarter', 'due this year', 'due before today', 'begins this week', 'done last week', 'done this month', 'done last month', 'done last year'];
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
        return ($this->of === 'by' ? 'due' : $this->of).' '.$this->how->day($this->than);
    }

    public function hangsOn(): HangsOn
    {
        return HangsOn::Itself;
    }
}
