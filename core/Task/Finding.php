<?php

declare(strict_types=1);

namespace ChalkTree\Task;

use ChalkTree\Ask\HangsOn;

/** What is found of to-dos that somebody should see to. */
enum Finding: string
{
    case Overdue = 'overdue';
    case Soon = 'soon';
    case Nobody = 'nobody';
    case AfterParent = 'after-parent';
    case BeforeTime = 'before-time';

    public function words(): string
    {
        return match ($this) {
            self::Overdue => 'overdue',
            self::Soon => 'due within a week',
            self::Nobody => 'without anyone',
            self::AfterParent => 'due after what it belongs to',
            self::BeforeTime => 'begun before what comes before it',
        };
    }

    public function hangsOn(): HangsOn
    {
        return match ($this) {
            self::AfterParent => HangsOn::Above,
            self::BeforeTime => HangsOn::Ties,
            default => HangsOn::Itself,
        };
    }
}
