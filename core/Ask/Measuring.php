<?php

declare(strict_types=1);

namespace ChalkTree\Ask;

use ChalkTree\Edit\Arguments;

/** How a number or a day is held against another: "is", "under" (less, before) or "over" (more, after). */
enum Measuring: string
{
    case Is = 'is';
    case Under = 'under';
    case Over = 'over';

    public static function read(Arguments $from, string $key = 'how'): self
    {
        return self::from($from->oneOf($key, ['is', 'under', 'over']));
    }

    public function holds(float|string $value, float|string $than): bool
    {
        return match ($this) {
            self::Is => $value === $than,
            self::Under => $value < $than,
            self::Over => $value > $than,
        };
    }

    /** Where a person says nothing of it, it "is". */
    public static function heard(Said $said): self
    {
        return self::from($said->takesOneOf(['under' => 'under', 'over' => 'over', 'is' => 'is']) ?? $said->takesOneOf(['under' => 'before', 'over' => 'after', 'is' => 'on']) ?? 'is');
    }

    /** Before a day, or a span of days, as Days has them: "on 5 Dec 2026", "this quarter", "before this week". */
    public function day(string $span): string
    {
        return trim(($this === self::Is && ! Days::isOne($span) ? '' : $this->words(isDay: true)).' '.Days::spanWords($span));
    }

    public function words(bool $isDay = false): string
    {
        return match ($this) {
            self::Is => $isDay ? 'on' : 'is',
            self::Under => $isDay ? 'before' : 'under',
            self::Over => $isDay ? 'after' : 'over',
        };
    }
}
